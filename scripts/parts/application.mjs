// Starts the built application as a process of its own and waits until it answers.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { PROJECT } from './places.mjs';
import { Plain } from './progress.mjs';

/**
 * @param {{ port: number, databaseUrl: string, env?: Record<string, string>, quiet?: boolean }} options
 * @returns {Promise<{ origin: string, pid: number, stop: () => Promise<void>, said: () => string, ended: Promise<string> }>}
 */
export async function startApplication({ port, databaseUrl, env = {}, quiet = false }) {
	const origin = `http://127.0.0.1:${port}`;
	let said = '';
	const child = spawn(process.execPath, [path.join(PROJECT, 'build', 'index.js')], {
		cwd: PROJECT,
		env: {
			...process.env,
			HOST: '127.0.0.1',
			PORT: String(port),
			ORIGIN: origin,
			DATABASE_URL: databaseUrl,
			SHUTDOWN_TIMEOUT: '5',
			NODE_ENV: 'production',
			// Each door of the application has a limit of its own; an archive of years is read piece by piece.
			BODY_SIZE_LIMIT: 'Infinity',
			...env
		},
		stdio: ['ignore', 'pipe', 'pipe']
	});
	const take = (/** @type {Buffer} */ chunk) => {
		said = (said + chunk.toString()).slice(-8000);
		if (!quiet) process.stderr.write(chunk);
	};
	child.stdout.on('data', (chunk) => {
		said = (said + chunk.toString()).slice(-8000);
	});
	child.stderr.on('data', take);
	/** @type {Promise<string>} how it ended */
	const ended = new Promise((resolve) =>
		child.on('exit', (code, signal) => resolve(signal ?? `code ${code}`))
	);
	let over = false;
	void ended.then(() => {
		over = true;
	});
	const stop = async () => {
		if (over) return;
		child.kill('SIGTERM');
		const kill = setTimeout(() => child.kill('SIGKILL'), 8000);
		await ended;
		clearTimeout(kill);
	};
	for (let waited = 0; waited < 60_000; waited += 100) {
		if (over) throw new Plain(`The application ended before it answered:\n${said}`);
		try {
			const answer = await fetch(`${origin}/health`);
			if (answer.ok) return { origin, pid: child.pid ?? 0, stop, said: () => said, ended };
		} catch {
			// Not listening yet.
		}
		await new Promise((resolve) => setTimeout(resolve, 100));
	}
	await stop();
	throw new Plain(`The application did not answer within a minute:\n${said}`);
}
