import adapter from '@sveltejs/adapter-node';

/** @type {import('@sveltejs/kit').Config} */
export default {
	kit: {
		typescript: {
			config: (config) => ({ ...config, include: [...config.include, '../bench/**/*.ts'] })
		},
		// hooks.server.ts holds every request against the address it was asked at, and says why it refuses.
		csrf: { trustedOrigins: ['*'] },
		// One page is the beginning of every other where there is no network, so addresses in it cannot be relative.
		paths: { relative: false },
		// Only a browser that is to keep a night has one (client/keep-night).
		serviceWorker: { register: false },
		adapter: adapter({ precompress: process.env.JOVET_PRECOMPRESS !== 'no' }),
		csp: {
			mode: 'nonce',
			directives: {
				'default-src': ['self'],
				'script-src': ['self'],
				'style-src': ['self'],
				// Components place popups with style attributes, which a nonce cannot cover.
				'style-src-attr': ['unsafe-inline'],
				'img-src': ['self', 'data:'],
				'font-src': ['self'],
				'connect-src': ['self'],
				'worker-src': ['self'],
				'object-src': ['none'],
				'base-uri': ['none'],
				'form-action': ['self'],
				'frame-ancestors': ['none']
			}
		}
	}
};
