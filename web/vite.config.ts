import tailwind from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

/**
 * The library of charts uses more of the store's library than the app does. It gets a copy of its own: else every page
 * would carry what only a chart needs.
 */
const chartsApart: Plugin = {
  name: 'charts-apart',
  enforce: 'pre',
  async resolveId(source, importer, options) {
    if (!importer?.includes('/recharts/') || !/^(@reduxjs\/toolkit|reselect|immer)$/.test(source)) return null;
    const found = await this.resolve(source, importer, { ...options, skipSelf: true });
    return found && { ...found, id: `${found.id}?charts` };
  },
};

/** Writes which build this is beside the pages and into them: a page of an earlier one learns that it is out of date. */
const buildNumber = (): Plugin => {
  const build = Date.now().toString(36);
  return {
    name: 'build-number',
    apply: 'build',
    transformIndexHtml: () => [{ tag: 'meta', attrs: { name: 'build', content: build }, injectTo: 'head' }],
    generateBundle() {
      this.emitFile({ type: 'asset', fileName: 'build.txt', source: build });
    },
  };
};

export default defineConfig({
  plugins: [react(), tailwind(), chartsApart, buildNumber()],
  build: {
    target: 'es2023',
    reportCompressedSize: false,
    manifest: true,
    // A rehearsal opened by its address is a page of its own: on a phone it need not wait for the whole desk.
    rolldownOptions: { input: ['index.html', 'rehearse.html'] },
  },
  // The host as the browser has it: the server answers its own pages only, and this is one of them.
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4400', changeOrigin: false } } },
});
