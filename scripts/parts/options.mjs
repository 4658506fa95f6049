import { parseArgs } from 'node:util';
import { Plain } from './progress.mjs';

/**
 * Reads the options of a command; a wrong one is told in a line, with the list of right ones.
 * @template {import('node:util').ParseArgsConfig['options'] & {}} Options
 * @param {Options} options
 * @param {string[]} given what was typed behind the command
 */
export function readOptions(options, given) {
	try {
		return parseArgs({ options, args: given }).values;
	} catch (error) {
		if (!String(/** @type {{ code?: unknown }} */ (error).code).startsWith('ERR_PARSE_ARGS'))
			throw error;
		const right = Object.entries(options)
			.map(([name, { type }]) => (type === 'string' ? `--${name} ...` : `--${name}`))
			.join(', ');
		const [reason] = /** @type {Error} */ (error).message.split('. ');
		throw new Plain(`${reason}. There are: ${right}.`);
	}
}

/**
 * Reads names out of a list; a wrong one is told in a line, with the right ones.
 * @param {readonly string[]} names
 * @param {readonly string[]} given
 * @param {string} what what each of them is
 */
export function readNames(names, given, what) {
	const wrong = given.find((one) => !names.includes(one));
	if (wrong !== undefined)
		throw new Plain(`There is no ${what} called "${wrong}": ${names.join(', ')}.`);
	return given.length === 0 ? names : names.filter((name) => given.includes(name));
}
