// Runs other programs and gives their output, or lets them speak for themselves.
import { spawn } from 'node:child_process';
import { Plain } from './progress.mjs';

/**
 * @typedef {{ cwd?: string, env?: NodeJS.ProcessEnv, show?: boolean, input?: string, timeoutMs?: number }} RunOptions
 */

/**
 * Runs a program to its end. Gives its exit code and output; never throws for a code that is not 0.
 * @param {string} program
 * @param {readonly string[]} args
 * @param {RunOptions} [options]
 * @returns {Promise<{ code: number, output: string }>}
 */
export function run(program, args, options = {}) {
	return new Promise((resolve, reject) => {
		const child = spawn(program, args, {
			cwd: options.cwd,
			env: options.env ?? process.env,
			stdio: ['pipe', 'pipe', 'pipe']
		});
		let output = '';
		const take = (/** @type {Buffer} */ chunk) => {
			output += chunk.toString();
			if (options.show) process.stdout.write(chunk);
		};
		child.stdout.on('data', take);
		child.stderr.on('data', take);
		child.stdin.on('error', () => {});
		child.stdin.end(options.input ?? '');
		const timer = options.timeoutMs
			? setTimeout(() => child.kill('SIGKILL'), options.timeoutMs)
			: null;
		child.on('error', reject);
		// "exit" rather than "close": a server that the program started may hold its output open.
		child.on('exit', (code) => {
			if (timer) clearTimeout(timer);
			setTimeout(() => resolve({ code: code ?? 1, output }), 10);
		});
	});
}

/**
 * Runs a program that must succeed.
 * @param {string} program
 * @param {readonly string[]} args
 * @param {RunOptions} [options]
 */
export async function mustRun(program, args, options) {
	const { code, output } = await run(program, args, options);
	if (code !== 0)
		throw new Plain(
			`"${program} ${args.join(' ')}" ended with code ${code}.\n${options?.show ? '' : output.slice(-4000)}`
		);
	return output;
}

/**
 * Finds a program on the path.
 * @param {string} program
 */
export async function isOnPath(program) {
	const { code } = await run('sh', ['-c', `command -v ${program}`]);
	return code === 0;
}
