import { defineConfig } from 'vite';
import react from '@vitejs/plugin-react';
import tailwindcss from '@tailwindcss/vite';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  publicDir: 'generated/public',
  worker: { format: 'es' },
  build: { outDir: 'dist/app', emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 1200 },
});
