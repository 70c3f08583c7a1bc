import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import { svelteTesting } from '@testing-library/svelte/vite';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [svelte(), tailwindcss(), svelteTesting()],
  build: {
    outDir: 'target/classes/static',
    emptyOutDir: true,
    chunkSizeWarningLimit: 900,
    // The looks of ninety components that are not used would be made at every start: they only look as if they did something.
    rolldownOptions: { treeshake: { moduleSideEffects: (id) => !id.includes('flowbite-svelte/dist') } },
  },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.EBBTIDE_PORT ?? 8080}` } },
  // Each file has its own modules; none of them leaves anything behind that another could find.
  test: { include: ['src/**/*.test.ts'], isolate: false },
});
