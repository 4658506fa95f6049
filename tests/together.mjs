// Runs the test files it is given in this one process, each as a suite of its own: what the files share is read
// once instead of once for each. A hook of a file is heard by the tests of that file only.
import { describe } from 'node:test';
import path from 'node:path';
import { pathToFileURL } from 'node:url';

for (const file of process.argv.slice(2))
	describe(file, async () => {
		await import(pathToFileURL(path.resolve(file)).href);
	});
