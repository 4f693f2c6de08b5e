import { defaultClientConditions, defineConfig } from 'vite';
import react from '@vitejs/plugin-react';
import tailwindcss from '@tailwindcss/vite';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  publicDir: 'generated/public',
  worker: { format: 'es' },
  // Readers run in workers, where there is no document: the builds that need none are taken.
  resolve: { conditions: ['worker', ...defaultClientConditions] },
  build: { outDir: 'dist/app', emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 1200 },
});
