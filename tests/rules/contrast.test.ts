import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';

// Contrast as WCAG 2.2 has it: 7 for text that is read at arm's length (AAA), 4.5 for text, 3 for what tells where a control is.
const PAIRS: readonly (readonly [one: string, on: string, least: number])[] = [
	['ink', 'sheet', 7],
	['ink', 'ground', 7],
	['ink-2', 'sheet', 7],
	['ink-2', 'ground', 7],
	['act-ink', 'act', 4.5],
	['edge', 'sheet', 3],
	['edge', 'ground', 3]
];

const theme = readFileSync(new URL('../../src/theme.css', import.meta.url), 'utf8');

/** A colour of the theme by day and by night. */
function pairOf(name: string): readonly [day: string, night: string] {
	const found = new RegExp(`--${name}: light-dark\\((#[0-9a-f]{6}), (#[0-9a-f]{6})\\);`).exec(
		theme
	);
	assert.ok(found?.[1] && found[2], `--${name} is a pair of colours`);
	return [found[1], found[2]];
}

function luminance(colour: string): number {
	const [red = 0, green = 0, blue = 0] = [1, 3, 5].map((at) => {
		const share = Number.parseInt(colour.slice(at, at + 2), 16) / 255;
		return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
	});
	return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}

function contrast(one: string, other: string): number {
	const [dark = 0, light = 0] = [luminance(one), luminance(other)].sort((a, b) => a - b);
	return (light + 0.05) / (dark + 0.05);
}

test('black on white is as far apart as it gets', () => {
	assert.equal(contrast('#000000', '#ffffff'), 21);
});

for (const [one, on, least] of PAIRS)
	test(`${one} on ${on} is told apart by day and by night`, () => {
		const [first, second] = [pairOf(one), pairOf(on)];
		for (const at of [0, 1] as const) {
			const found = contrast(first[at], second[at]);
			assert.ok(found >= least, `${first[at]} on ${second[at]}: ${found.toFixed(2)} for ${least}`);
		}
	});
