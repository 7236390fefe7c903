import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue()],
  server: { port: 5173, proxy: { '/api': 'http://127.0.0.1:8650' } },
  build: { target: 'es2022', sourcemap: false },
  test: { environment: 'happy-dom', server: { deps: { inline: ['bootstrap-vue-next'] } } },
})
