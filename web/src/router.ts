import { createRouter, createWebHistory } from 'vue-router'

// A link leads to a lecture more often than to any other place: its screen is fetched with the program and not after it.
const lectureScreen = location.pathname.startsWith('/lecture/') ? import('./features/lecture/LectureScreen.vue') : null

export const router = createRouter({
  history: createWebHistory(),
  scrollBehavior: (to, from, saved) => (to.path === from.path ? false : (saved ?? { top: 0 })),
  routes: [
    { path: '/', name: 'today', component: () => import('./features/today/TodayScreen.vue') },
    { path: '/library', name: 'library', component: () => import('./features/library/LibraryScreen.vue') },
    {
      path: '/lecture/:id',
      name: 'lecture',
      component: () => lectureScreen ?? import('./features/lecture/LectureScreen.vue'),
      props: true,
    },
    { path: '/bring-in', name: 'bring-in', component: () => import('./features/bringin/BringInScreen.vue') },
    {
      path: '/course/:course/terms',
      name: 'terms',
      component: () => import('./features/terms/TermsScreen.vue'),
      props: true,
    },
    { path: '/review', name: 'review', component: () => import('./features/review/ReviewScreen.vue') },
    { path: '/languages', name: 'languages', component: () => import('./features/languages/LanguagesScreen.vue') },
    { path: '/about', name: 'about', component: () => import('./features/about/AboutScreen.vue') },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./features/about/NowhereScreen.vue') },
  ],
})
