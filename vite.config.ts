import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

export default defineConfig({
	plugins: [tailwindcss(), sveltekit()],
	worker: { format: 'es' },
	server: { host: '127.0.0.1' },
	preview: { host: '127.0.0.1' },
	// Icons and machine parts are imported one by one; a larger first chunk would be an accident.
	build: { chunkSizeWarningLimit: 300 }
});
