import { writeFile } from 'node:fs/promises';
import { GLOSSARY } from '../src/lib/wording/glossary.ts';

/** Writes docs/glossary.md from the one glossary that the screens show, too. */
const rows = Object.values(GLOSSARY).map(({ word, meaning }) => `| ${word} | ${meaning} |`);
const path = new URL('../docs/glossary.md', import.meta.url);
await writeFile(
	path,
	['# Glossary', '', '| word | meaning |', '| --- | --- |', ...rows, ''].join('\n')
);
