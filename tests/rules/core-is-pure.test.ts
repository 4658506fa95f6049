import { test } from 'node:test';
import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { ESLint } from 'eslint';
import ts from 'typescript';
import { PROJECT } from '../../scripts/parts/places.mjs';
import { SERVER_MARKER } from '../../src/lib/server/db/client.ts';

const IN_CORE = path.join(PROJECT, 'src/lib/core/time/bakery-clock.ts');

async function rulesBroken(code: string): Promise<string[]> {
	const eslint = new ESLint({ cwd: PROJECT });
	const [result] = await eslint.lintText(code, { filePath: IN_CORE });
	return (result?.messages ?? []).map((message) => message.ruleId ?? 'parse');
}

test('the core takes no clock and no chance: lint says so', async () => {
	const breakers: [code: string, rule: string][] = [
		['export const now = Date.now();\n', 'no-restricted-properties'],
		['export const now = new Date();\n', 'no-restricted-syntax'],
		['export const dice = Math.random();\n', 'no-restricted-properties'],
		[
			"import { Temporal } from 'temporal-polyfill';\nexport const now = Temporal.Now.instant();\n",
			'no-restricted-syntax'
		]
	];
	for (const [code, rule] of breakers) assert.ok((await rulesBroken(code)).includes(rule), code);
	assert.deepEqual(await rulesBroken('export const date = new Date(0);\n'), []);
});

test('a file that grew past 400 lines is told', async () => {
	assert.ok((await rulesBroken('export const line = 1;\n'.repeat(401))).includes('max-lines'));
});

test('the core sees neither a browser nor Node.js: its own tsconfig says so', () => {
	const read = ts.readConfigFile(path.join(PROJECT, 'tsconfig.core.json'), (file) =>
		ts.sys.readFile(file)
	);
	const { options } = ts.parseJsonConfigFileContent(read.config, ts.sys, PROJECT);
	const errorsOf = (code: string) => {
		const host = ts.createCompilerHost(options);
		const file = path.join(PROJECT, 'src/lib/core/breaks-the-rule.ts');
		const readFile = host.getSourceFile.bind(host);
		host.getSourceFile = (name, version) =>
			name === file ? ts.createSourceFile(name, code, version) : readFile(name, version);
		const program = ts.createProgram([file], options, host);
		return ts.getPreEmitDiagnostics(program).map((diagnostic) => diagnostic.code);
	};
	for (const global of [
		'document',
		'window',
		'process',
		'Buffer',
		'fetch',
		'setTimeout',
		'console'
	])
		assert.ok(
			errorsOf(`export const seen = ${global};`).length > 0,
			`${global} is visible in the core`
		);
	assert.deepEqual(errorsOf('export const fine = [1, 2].at(-1);'), []);
});

test('nothing of the server is in what browsers are sent, workers included', () => {
	const root = path.join(PROJECT, 'build/client');
	const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter((name) =>
		/\.(js|html|json)$/.test(name)
	);
	assert.ok(
		files.some((name) => name.includes('worker')),
		'the plan worker is in the build'
	);
	for (const name of files)
		assert.ok(
			!readFileSync(path.join(root, name), 'utf8').includes(SERVER_MARKER),
			`${name} carries server code`
		);
	const server = readdirSync(path.join(PROJECT, 'build/server'), {
		recursive: true,
		encoding: 'utf8'
	}).filter((name) => name.endsWith('.js'));
	assert.ok(
		server.some((name) =>
			readFileSync(path.join(PROJECT, 'build/server', name), 'utf8').includes(SERVER_MARKER)
		)
	);
});
