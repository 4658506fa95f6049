// Finds free ports on loopback.
import net from 'node:net';

/** @param {number} port */
export function isFree(port) {
	return new Promise((resolve) => {
		const probe = net.createServer();
		probe.once('error', () => resolve(false));
		probe.listen({ port, host: '127.0.0.1' }, () => probe.close(() => resolve(true)));
	});
}

/**
 * The wanted port when it is free, otherwise one that the system gives.
 * @param {number} wanted
 * @returns {Promise<number>}
 */
export async function freePort(wanted) {
	if (wanted > 0 && (await isFree(wanted))) return wanted;
	return new Promise((resolve, reject) => {
		const probe = net.createServer();
		probe.once('error', reject);
		probe.listen({ port: 0, host: '127.0.0.1' }, () => {
			const address = probe.address();
			const port = typeof address === 'object' && address ? address.port : 0;
			probe.close(() => resolve(port));
		});
	});
}
