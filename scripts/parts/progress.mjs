// Tells what a long command is doing: one line a step, with the time it took.

const quiet = process.env.JOVET_QUIET === 'yes';

/** @param {string} text */
export function say(text) {
	if (!quiet) process.stdout.write(`${text}\n`);
}

/**
 * Runs one step and says what it is and how long it took.
 * @template T
 * @param {string} what
 * @param {() => Promise<T>} work
 * @param {(result: T) => boolean} went whether what came out is as it should be; anything is, unless it is said
 * @returns {Promise<T>}
 */
export async function step(what, work, went = () => true) {
	const start = performance.now();
	say(`… ${what}`);
	// A slow step shows that it is alive.
	const beat = setInterval(() => say(`  still: ${what} (${seconds(start)} s)`), 15_000);
	try {
		const result = await work();
		say(`${went(result) ? '✓' : '✗'} ${what} (${seconds(start)} s)`);
		return result;
	} catch (error) {
		say(`✗ ${what}`);
		throw error;
	} finally {
		clearInterval(beat);
	}
}

/** @param {number} start */
function seconds(start) {
	return ((performance.now() - start) / 1000).toFixed(1);
}

/** An error whose message is meant for the person at the keyboard, without a stack. */
export class Plain extends Error {}

/**
 * Ends a command: plain errors as a sentence, others whole.
 * @param {unknown} error
 */
export function reportAndExit(error) {
	if (error instanceof Plain) process.stderr.write(`\n${error.message}\n`);
	else console.error(error);
	process.exitCode = 1;
}
