import { createRouter, createWebHistory } from 'vue-router'
import { whenLongEnough } from './shared/scrollPlace'

declare module 'vue-router' {
  interface RouteMeta {
    /** What the window is called. */
    title?: string
  }
}

// A link leads to a lecture more often than to any other place: its screen is fetched with the program and not after it.
const lectureScreen = location.pathname.startsWith('/lecture/') ? import('./features/lecture/LectureScreen.vue') : null

export const router = createRouter({
  history: createWebHistory(),
  scrollBehavior: (to, from, saved) => (to.path === from.path ? false : saved ? whenLongEnough(saved) : { top: 0 }),
  routes: [
    {
      path: '/',
      name: 'today',
      component: () => import('./features/today/TodayScreen.vue'),
      meta: { title: 'Today' },
    },
    {
      path: '/library',
      name: 'library',
      component: () => import('./features/library/LibraryScreen.vue'),
      meta: { title: 'Library' },
    },
    {
      path: '/search',
      name: 'search',
      component: () => import('./features/search/SearchScreen.vue'),
      meta: { title: 'Search' },
    },
    {
      path: '/ask',
      name: 'ask',
      component: () => import('./features/ask/AskScreen.vue'),
      meta: { title: 'Ask' },
    },
    {
      path: '/lecture/:id',
      name: 'lecture',
      component: () => lectureScreen ?? import('./features/lecture/LectureScreen.vue'),
      props: true,
    },
    {
      path: '/bring-in',
      name: 'bring-in',
      component: () => import('./features/bringin/BringInScreen.vue'),
      meta: { title: 'Bring in' },
    },
    {
      path: '/record',
      name: 'record',
      component: () => import('./features/record/RecordScreen.vue'),
      meta: { title: 'Record' },
    },
    {
      path: '/course/:course',
      name: 'course',
      component: () => import('./features/courses/CourseScreen.vue'),
      props: true,
    },
    {
      path: '/sheet/:sheet(\\d+)',
      name: 'sheet',
      component: () => import('./features/sheets/SheetScreen.vue'),
      meta: { title: 'Sheet' },
      props: true,
    },
    {
      path: '/course/:course/terms',
      name: 'terms',
      component: () => import('./features/terms/TermsScreen.vue'),
      meta: { title: 'Terms' },
      props: true,
    },
    {
      path: '/plan/:id(\\d+)',
      name: 'plan',
      component: () => import('./features/listening/PlanScreen.vue'),
      meta: { title: 'Listening plan' },
      props: true,
    },
    {
      path: '/review',
      name: 'review',
      component: () => import('./features/review/ReviewScreen.vue'),
      meta: { title: 'Review' },
    },
    {
      path: '/settings',
      name: 'settings',
      component: () => import('./features/settings/SettingsScreen.vue'),
      meta: { title: 'Settings' },
    },
    {
      path: '/languages',
      name: 'languages',
      component: () => import('./features/languages/LanguagesScreen.vue'),
      meta: { title: 'Languages' },
    },
    {
      path: '/writer',
      name: 'writer',
      component: () => import('./features/writing/WriterScreen.vue'),
      meta: { title: 'A language model of your own' },
    },
    {
      path: '/storage',
      name: 'storage',
      component: () => import('./features/storage/StorageScreen.vue'),
      meta: { title: 'Storage' },
    },
    {
      path: '/about',
      name: 'about',
      component: () => import('./features/about/AboutScreen.vue'),
      meta: { title: 'About' },
    },
    {
      path: '/:rest(.*)*',
      name: 'nowhere',
      component: () => import('./features/about/NowhereScreen.vue'),
      meta: { title: 'Nothing here' },
    },
  ],
})

// A lecture names its window itself, once it is known.
router.afterEach((to) => {
  if (to.meta.title) document.title = `${to.meta.title} · Kostel`
})
