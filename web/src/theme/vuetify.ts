import { createVuetify, type ThemeDefinition } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'

const chart: ThemeDefinition = {
  dark: false,
  colors: {
    background: '#EEF2F2',
    surface: '#F8FAFA',
    'on-background': '#14242B',
    'on-surface': '#14242B',
    primary: '#8A2A66',
    'on-primary': '#FFFFFF',
    secondary: '#2F6B7C',
    error: '#A8412C',
    soft: '#4E6068',
    hair: '#C9D3D5',
    buff: '#E6D6A4',
    'on-buff': '#14242B',
    seawash: '#CFE0E4',
    faint: '#8FA0A6',
  },
  variables: { 'border-color': '#14242B', 'high-emphasis-opacity': 1, 'medium-emphasis-opacity': 0.82 },
}

const night: ThemeDefinition = {
  dark: true,
  colors: {
    background: '#10191E',
    surface: '#16232A',
    'on-background': '#DCE5E6',
    'on-surface': '#DCE5E6',
    primary: '#E59AC6',
    'on-primary': '#2B0A1E',
    secondary: '#7FBCCD',
    error: '#F0917B',
    soft: '#A3B3B9',
    hair: '#2F414A',
    buff: '#5C4F24',
    'on-buff': '#F6EFD8',
    seawash: '#1F3C47',
    faint: '#5F727A',
  },
  variables: { 'border-color': '#DCE5E6', 'high-emphasis-opacity': 1, 'medium-emphasis-opacity': 0.86 },
}

export const themeKey = 'kostel.theme'
const nonce = document.querySelector<HTMLMetaElement>('meta[name=csp-nonce]')?.content
const prefersNight = matchMedia('(prefers-color-scheme: dark)').matches
const field = { variant: 'underlined', density: 'comfortable', color: 'primary', hideDetails: 'auto' } as const

export const vuetify = createVuetify({
  theme: {
    cspNonce: nonce,
    defaultTheme: localStorage.getItem(themeKey) ?? (prefersNight ? 'night' : 'chart'),
    themes: { chart, night },
  },
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  defaults: {
    global: { ripple: false },
    VBtn: { variant: 'flat', rounded: 0, color: 'primary', class: 'k-btn' },
    VTextField: field,
    VCombobox: field,
    VSelect: field,
    VTextarea: field,
    VDialog: { maxWidth: 560 },
    VCard: { rounded: 0, elevation: 0, border: true },
    VProgressLinear: { color: 'secondary', height: 4, bgColor: 'hair', bgOpacity: 1 },
    VMenu: { offset: 6 },
    VList: { density: 'compact', rounded: 0, elevation: 0, border: true },
  },
})
