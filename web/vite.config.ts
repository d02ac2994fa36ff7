import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import vuetify from 'vite-plugin-vuetify'
import { defineConfig } from 'vitest/config'

const server = 'http://127.0.0.1:5480'

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true })],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: { outDir: '../src/Kostel.Server/wwwroot', emptyOutDir: true, chunkSizeWarningLimit: 900 },
  server: { proxy: { '/api': server, '/hub': { target: server, ws: true } } },
  test: { environment: 'happy-dom', server: { deps: { inline: ['vuetify'] } } },
})
