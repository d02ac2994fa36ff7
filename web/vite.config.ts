import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import vuetify from 'vite-plugin-vuetify'
import { defineConfig } from 'vitest/config'

const server = 'http://127.0.0.1:5480'
/** What every screen needs, in one file: a browser fetches six at a time, and each costs it a round trip. */
const packages = /node_modules\/(vue|@vue|vue-router|pinia|@vueuse|openapi-fetch)\//
const parts =
  /node_modules\/vuetify\/lib\/(framework|iconsets|locale|composables|util|components\/V(App|Main|Btn|Icon|ProgressLinear|ProgressCircular)\/)/
/** What screens with a form, a menu or a dialog need: most. */
const fields =
  /node_modules\/vuetify\/lib\/(directives|components\/(V(TextField|Field|Input|Label|Counter|Messages|Select|Combobox|Menu|Overlay|List|Avatar|Checkbox|CheckboxBtn|SelectionControl|SelectionControlGroup|Dialog|Divider|VirtualScroll|Chip|ChipGroup|SlideGroup|ImagePlaceholder|Img|ResponsiveImg|Responsive|Card|DefaultsProvider)|transitions)\/)/
const ours = /\/src\/(api\/client|shared\/(work|time|WorkBar))/
const base = (id: string) => packages.test(id) || parts.test(id) || ours.test(id)

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true })],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: {
    outDir: '../src/Kostel.Server/wwwroot',
    emptyOutDir: true,
    manifest: 'manifest.json',
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            { name: 'base', test: base },
            { name: 'fields', test: fields },
          ],
        },
      },
    },
  },
  // The server answers its own pages only; behind this proxy they are the same.
  server: {
    proxy: Object.fromEntries(
      ['/api', '/hub'].map((path) => [
        path,
        { target: server, ws: true, changeOrigin: true, headers: { origin: server } },
      ]),
    ),
  },
  test: { environment: 'happy-dom', server: { deps: { inline: ['vuetify'] } } },
})
