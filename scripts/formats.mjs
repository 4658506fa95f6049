// npm run formats: writes the published schema of the file that formulas are handed on in, from its definition.
import { mkdirSync, writeFileSync } from 'node:fs';
import { bookFileJsonSchema } from '../src/lib/contracts/book-file.ts';

mkdirSync('docs/formats', { recursive: true });
writeFileSync(
	'docs/formats/book-1.schema.json',
	`${JSON.stringify(bookFileJsonSchema(), null, '\t')}\n`
);
