import { defineConfig } from 'astro/config';
import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';

/** Errors of the server name the lines that were written; what browsers load stays without. */
const serverSourceMaps = {
  name: 'server-source-maps',
  config: (_, { isSsrBuild }) => (isSsrBuild ? { build: { sourcemap: true } } : {}),
};

/**
 * The chart library asks for all of d3. With a copy of its own, fetched with the charts, the first load of a stop carries only
 * what its own pictures use.
 */
const d3OfCharts = {
  name: 'd3-of-charts',
  enforce: 'pre',
  async resolveId(source, importer) {
    if (!/^(d3-|internmap$)/.test(source) || !/victory-vendor|\?charts$/.test(importer ?? '')) return null;
    const found = await this.resolve(source, importer, { skipSelf: true });
    return found && `${found.id}?charts`;
  },
};

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react()],
  server: { host: '127.0.0.1', port: 4321 },
  devToolbar: { enabled: false },
  telemetry: false,
  // Own origin check in src/server/http/guard.ts covers JSON bodies too, which this one does not.
  security: { checkOrigin: false },
  experimental: {
    csp: {
      algorithm: 'SHA-256',
      directives: [
        "default-src 'self'",
        "img-src 'self' data:",
        "font-src 'self'",
        "connect-src 'self'",
        "worker-src 'self'",
        "object-src 'none'",
        "base-uri 'none'",
        "form-action 'self'",
        "frame-ancestors 'none'",
      ],
    },
  },
  build: { inlineStylesheets: 'never' },
  vite: {
    plugins: [tailwindcss(), serverSourceMaps, d3OfCharts],
    build: {
      // Views wait for their policy at the top of a module.
      target: 'es2022',
      // Scripts of a few hundred bytes each compress worse than what they would save; larger ones bring along what nobody asked for.
      rollupOptions: { output: { experimentalMinChunkSize: 1200 } },
    },
  },
});
