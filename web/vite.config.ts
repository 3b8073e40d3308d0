import { createHash } from 'node:crypto'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { build, defaultClientConditions, defineConfig, type Plugin } from 'vite'

/** Builds the service worker after everything else, with the files of this very build in it. */
const serviceWorker = (): Plugin => ({
  name: 'service-worker',
  apply: 'build',
  async writeBundle(_, bundle) {
    const files = Object.values(bundle).map((file) => ({
      url: `/${file.fileName}`,
      // A name with a hash in it says itself what it holds.
      revision: file.fileName.startsWith('assets/')
        ? null
        : createHash('sha256')
            .update(file.type === 'asset' ? file.source : file.code)
            .digest('hex')
            .slice(0, 16),
    }))
    await build({
      configFile: false,
      logLevel: 'warn',
      define: {
        SHELL_FILES: JSON.stringify(files),
        'process.env.NODE_ENV': JSON.stringify('production'),
      },
      build: {
        emptyOutDir: false,
        lib: {
          entry: 'src/away/service-worker.ts',
          formats: ['iife'],
          name: 'shell',
          fileName: () => 'service-worker.js',
        },
      },
    })
  },
})

export default defineConfig({
  plugins: [react(), tailwindcss(), serviceWorker()],
  resolve: { conditions: ['yentrik-source', ...defaultClientConditions] },
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
})
