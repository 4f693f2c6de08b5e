// The Express app that serves the built interface: files of dist/app, every other address answered with the one page.
import express, { type Express } from 'express';
import { join } from 'node:path';

/**
 * Nothing leaves the machine: scripts, workers, fonts and pictures come from here or are made here. Only what is in use is
 * allowed: compiled WebAssembly, styles of elements, pictures of a book (blob) and those in the style sheet (data).
 */
export const CONTENT_SECURITY_POLICY = [
  "default-src 'self'",
  "script-src 'self' 'wasm-unsafe-eval'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' blob: data:",
  "frame-src 'none'",
  "object-src 'none'",
  "frame-ancestors 'none'",
  "base-uri 'none'",
  "form-action 'self'",
].join('; ');

/** `folder`: the built interface. */
export function createStaticApp(folder: string): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use((_request, response, next) => {
    response.set({
      'Content-Security-Policy': CONTENT_SECURITY_POLICY,
      'X-Content-Type-Options': 'nosniff',
      'Referrer-Policy': 'no-referrer',
      'Cross-Origin-Opener-Policy': 'same-origin',
    });
    next();
  });
  // Built scripts carry a hash in their names and never change; everything else is asked for again.
  app.use('/assets', express.static(join(folder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(folder, { index: 'index.html' }));
  app.get(/^\/(?:book\/[^.]*)?$/, (_request, response) => response.sendFile(join(folder, 'index.html')));
  app.use((_request, response) => {
    response.status(404).type('text').send('There is nothing at this address.');
  });
  return app;
}
