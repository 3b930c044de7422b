import { constants } from 'node:zlib';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';

const server = `http://127.0.0.1:${process.env.PORTIONA_PORT ?? '4180'}`;

/** The layers of styles from weak to strong, as `app/index.css` says them. */
const LAYERS = '@layer theme, base, ui, components, utilities;';

/** Says the order of layers at the head of the style sheet: which of its files comes first in it is not known. */
const layersInOrder: Plugin = {
  name: 'layers-in-order',
  enforce: 'post',
  generateBundle(_options, bundle) {
    for (const asset of Object.values(bundle))
      if (asset.type === 'asset' && asset.fileName.endsWith('.css')) asset.source = `${LAYERS}${String(asset.source)}`;
  },
};

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    layersInOrder,
    compression({
      include: /\.(js|css|wasm)$/,
      // The last step of brotli takes ten times as long, and saves a hundredth.
      algorithms: ['gzip', defineAlgorithm('brotliCompress', { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } })],
    }),
  ],
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    // One sheet of styles, small enough to come whole: no view is seen without its own.
    cssCodeSplit: false,
    // A file turned into a data address would be stopped by the page's policy.
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      output: { codeSplitting: { groups: [{ name: 'react', test: /node_modules[\\/](react|react-dom|scheduler|react-router)[\\/]/ }] } },
    },
  },
  server: { proxy: { '/api': server } },
});
