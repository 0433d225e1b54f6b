import tailwind from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin, type Rolldown } from 'vite';

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

/** Files a page needs, with what it fetches later on: scripts, styles, and the letters it is written in. */
function filesOf(bundle: Rolldown.OutputBundle, page: string): string[] {
  const files = new Set<string>();
  const visit = (name: string) => {
    const chunk = bundle[name];
    if (files.has(name) || chunk?.type !== 'chunk') return;
    files.add(name);
    for (const style of chunk.viteMetadata?.importedCss ?? []) files.add(style);
    for (const asset of chunk.viteMetadata?.importedAssets ?? []) if (LETTERS.test(asset)) files.add(asset);
    for (const next of [...chunk.imports, ...chunk.dynamicImports]) visit(next);
  };
  for (const [name, chunk] of Object.entries(bundle)) {
    if (chunk.type === 'chunk' && chunk.isEntry && chunk.facadeModuleId?.endsWith(page)) visit(name);
  }
  return [...files];
}

/** Of the fonts those for the languages of the words in the house. */
const LETTERS = /-latin-wght-normal-.*\.woff2$/;

/** Tells what keeps pages offline which build it belongs to, and what its page needs. */
const offlineFiles = (build: string): Plugin => ({
  name: 'offline-files',
  apply: 'build',
  enforce: 'post',
  generateBundle(_options, bundle) {
    const worker = bundle[OFFLINE];
    if (worker?.type !== 'chunk') throw new Error(`the build has no ${OFFLINE}`);
    const files = filesOf(bundle, 'room.html').map((name) => `/${name}`);
    worker.code = worker.code.replace('%BUILD%', build).replace(/(["'`])%FILES%\1/, JSON.stringify(files));
  },
});

/** A name without a hash: a browser asks under it whether there is a newer one. */
const OFFLINE = 'offline.js';

/** Writes which build this is beside the pages and into them: a page of an earlier one learns that it is out of date. */
const buildNumber = (build: string): Plugin => {
  return {
    name: 'build-number',
    apply: 'build',
    transformIndexHtml: () => [{ tag: 'meta', attrs: { name: 'build', content: build }, injectTo: 'head' }],
    generateBundle() {
      this.emitFile({ type: 'asset', fileName: 'build.txt', source: build });
    },
  };
};

const BUILD = Date.now().toString(36);

export default defineConfig({
  plugins: [react(), tailwind(), chartsApart, buildNumber(BUILD), offlineFiles(BUILD)],
  build: {
    target: 'es2023',
    reportCompressedSize: false,
    manifest: true,
    // A class taught or rehearsed by its address is a page of its own: on a phone it need not wait for the whole desk.
    rolldownOptions: {
      input: { index: 'index.html', room: 'room.html', offline: 'src/offline/worker.ts' },
      output: {
        entryFileNames: ({ name }) => (name === 'offline' ? OFFLINE : 'assets/[name]-[hash].js'),
      },
    },
  },
  // The host as the browser has it: the server answers its own pages only, and this is one of them.
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4400', changeOrigin: false } } },
});
