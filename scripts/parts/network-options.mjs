// What a command that serves the bakery's network is asked.

/** @satisfies {import('node:util').ParseArgsConfig['options'] & {}} */
export const NETWORK_OPTIONS = {
	network: { type: /** @type {const} */ ('string') },
	'network-port': { type: /** @type {const} */ ('string') },
	certificate: { type: /** @type {const} */ ('string') },
	key: { type: /** @type {const} */ ('string') }
};
