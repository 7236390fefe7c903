import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/besley'
import 'bootstrap/dist/css/bootstrap.min.css'
import 'bootstrap-vue-next/dist/bootstrap-vue-next.css'
import './styles/tokens.css'
import './styles/base.css'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'
import { fetchAhead } from './shell/ahead'

createApp(App).use(router).mount('#app')
void fetchAhead(router)
