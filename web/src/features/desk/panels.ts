import { defineAsyncComponent, type Component } from 'vue'

interface DeskPanel {
  name: string
  /** What its places are called under the stave; its name if nothing is said. */
  spans?: string
  component: Component
}

/** What the desk can be opened for, one at a time. A panel is added here, and nowhere else: it finds its lecture by useDesk. */
export const deskPanels = {
  ask: { name: 'Ask', spans: 'Evidence', component: defineAsyncComponent(() => import('./AskDesk.vue')) },
  summary: { name: 'Summary', component: defineAsyncComponent(() => import('./SummaryDesk.vue')) },
  subject: { name: 'Subject', component: defineAsyncComponent(() => import('./SubjectDesk.vue')) },
  plan: { name: 'Listening plan', spans: 'Plan', component: defineAsyncComponent(() => import('./PlanDesk.vue')) },
  sheets: { name: 'Sheets', component: defineAsyncComponent(() => import('./SheetsDesk.vue')) },
  cards: { name: 'Cards', component: defineAsyncComponent(() => import('./CardsDesk.vue')) },
  quiz: { name: 'Quiz', component: defineAsyncComponent(() => import('./QuizDesk.vue')) },
  set: { name: 'Study set', component: defineAsyncComponent(() => import('./SetDesk.vue')) },
  marks: { name: 'Marks', component: defineAsyncComponent(() => import('./MarksDesk.vue')) },
  changes: { name: 'Changes', component: defineAsyncComponent(() => import('./ChangesDesk.vue')) },
} as const satisfies Record<string, DeskPanel>

export type DeskPanelName = keyof typeof deskPanels
export const isDeskPanelName = (name: unknown): name is DeskPanelName => typeof name === 'string' && name in deskPanels
export const panelOf = (name: DeskPanelName): DeskPanel => deskPanels[name]
