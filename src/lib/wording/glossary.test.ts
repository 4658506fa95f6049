import { test } from 'node:test';
import assert from 'node:assert/strict';
import { readFile } from 'node:fs/promises';
import { GLOSSARY } from './glossary.ts';

test('docs/glossary.md tells what the screens tell: npm run glossary writes it', async () => {
	const text = await readFile(new URL('../../../docs/glossary.md', import.meta.url), 'utf8');
	const rows = text
		.split('\n')
		.filter((line) => line.startsWith('|'))
		.slice(2)
		.map((line) =>
			line
				.split('|')
				.slice(1, 3)
				.map((cell) => cell.trim())
		);
	assert.deepEqual(
		rows,
		Object.values(GLOSSARY).map(({ word, meaning }) => [word, meaning])
	);
});

test('words stand in alphabetical order, each once, and no meaning leans on a word that is gone', () => {
	const words = Object.values(GLOSSARY).map(({ word }) => word.toLowerCase());
	assert.deepEqual(
		words,
		[...new Set(words)].sort((a, b) => (a < b ? -1 : 1))
	);
	for (const { word, meaning } of Object.values(GLOSSARY))
		assert.doesNotMatch(`${word}: ${meaning}`, /\bbuilds?\b|take-?back|to settle/i, word);
});
