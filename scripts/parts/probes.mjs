// Starts the simulated probes as a process of its own: it is given the address and a key, nothing else.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { PROJECT } from './places.mjs';

/**
 * Gives the stop.
 * @param {{ address: string, key: string, args?: readonly string[], quiet?: boolean }} options
 * @returns {() => Promise<void>}
 */
export function startProbes({ address, key, args = [], quiet = false }) {
	const child = spawn(
		process.execPath,
		['--import', 'tsx', path.join(PROJECT, 'src/lib/devices/simulated/run.ts'), ...args],
		{
			cwd: PROJECT,
			env: { PATH: process.env.PATH, JOVET_ADDRESS: address, JOVET_DEVICE_KEY: key },
			stdio: ['ignore', 'ignore', quiet ? 'ignore' : 'inherit']
		}
	);
	const ended = new Promise((resolve) => child.on('exit', resolve));
	return async () => {
		if (child.exitCode !== null || child.signalCode !== null) return;
		child.kill('SIGTERM');
		const kill = setTimeout(() => child.kill('SIGKILL'), 3000);
		await ended;
		clearTimeout(kill);
	};
}
