import { ref, watchEffect } from 'vue'

const KEPT = 'kettle.theme'

export const evening = ref(localStorage.getItem(KEPT) === 'evening')

watchEffect(() => {
  const theme = evening.value ? 'evening' : 'day'
  document.documentElement.dataset.theme = theme
  document.documentElement.dataset.bsTheme = evening.value ? 'dark' : 'light'
  localStorage.setItem(KEPT, theme)
})
