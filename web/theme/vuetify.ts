import 'vuetify/styles'
import { createVuetify } from 'vuetify'
import { VBtn } from 'vuetify/components/VBtn'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'

/** Warm paper and blue-black text by day, night paper with the same inks raised by night. One accent. */
const paper = {
  dark: false,
  colors: {
    background: '#fbf7ee',
    surface: '#fefcf6',
    'surface-variant': '#efe8d8',
    'on-surface-variant': '#3d4653',
    'on-background': '#17263a',
    'on-surface': '#17263a',
    primary: '#a83517',
    'on-primary': '#ffffff',
    secondary: '#4d5866',
    error: '#a11a1a',
    warning: '#7a5200',
    info: '#1d4f91',
    success: '#23703a',
  },
  variables: { 'border-color': '#17263a', 'border-opacity': 0.16, 'medium-emphasis-opacity': 0.76 },
}
const night = {
  dark: true,
  colors: {
    background: '#12181f',
    surface: '#18202a',
    'surface-variant': '#25303c',
    'on-surface-variant': '#cfd8e2',
    'on-background': '#e9e4d8',
    'on-surface': '#e9e4d8',
    primary: '#f29a7e',
    'on-primary': '#2a0f06',
    secondary: '#a9b4c1',
    error: '#ff9a90',
    warning: '#e6bd58',
    info: '#85b7f2',
    success: '#83d291',
  },
  variables: { 'border-color': '#e9e4d8', 'border-opacity': 0.18, 'medium-emphasis-opacity': 0.78 },
}

const field = { variant: 'underlined', color: 'primary', density: 'comfortable', hideDetails: 'auto' }
const check = { color: 'primary', density: 'comfortable', hideDetails: 'auto' }
const button = { variant: 'text', rounded: 'sm', style: 'text-transform: none; letter-spacing: 0;' }

/** Kinds of button by what they are for: the one thing to do here, another thing to do, and plain words. */
export const vuetify = createVuetify({
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  theme: { defaultTheme: 'paper', themes: { paper, night } },
  aliases: { VBtnMain: VBtn, VBtnOther: VBtn },
  defaults: {
    VTextField: field,
    VTextarea: field,
    VSelect: field,
    VAutocomplete: field,
    VNumberInput: { ...field, controlVariant: 'stacked' },
    VFileInput: field,
    VBtn: button,
    VBtnMain: { ...button, variant: 'flat', color: 'primary' },
    VBtnOther: { ...button, variant: 'outlined' },
    VCard: { variant: 'flat', rounded: 'sm' },
    VCheckbox: check,
    VCheckboxBtn: check,
    VBtnToggle: { variant: 'outlined', color: 'primary', density: 'comfortable', rounded: 'sm' },
  },
})
