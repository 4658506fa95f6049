import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { after, test } from 'node:test';
import { PROJECT } from '../../scripts/parts/places.mjs';

/** Code that breaks a rule, by the rule's name. */
const BREAKERS: Readonly<Record<string, string>> = {
	'await-thenable': 'export const a = async () => { await 1; };',
	'no-array-delete': 'export const b = (list: number[]) => { delete list[0]; };',
	'no-base-to-string': 'export const c = (one: object) => one.toString();',
	'no-duplicate-type-constituents': "export type D = 'd' | 'd';",
	'no-floating-promises': 'export const e = (later: () => Promise<void>) => { later(); };',
	'no-for-in-array':
		'export const f = (list: number[]) => { for (const at in list) console.log(at); };',
	'no-implied-eval': "setTimeout('1', 1);",
	'no-misused-promises':
		'export const h = (later: () => Promise<void>) => { if (later()) return 1; return 2; };',
	'no-redundant-type-constituents': "export type I = string | 'i';",
	'no-unnecessary-type-assertion': 'export const j = (one: number) => one as number;',
	'no-unsafe-argument': 'export const k = (one: any) => Math.abs(one);',
	'no-unsafe-assignment':
		'export const l = (one: any) => { const two: number = one; return two; };',
	'no-unsafe-call': 'export const m = (one: any) => { one(); };',
	'no-unsafe-enum-comparison':
		'enum N { one } export const n = (one: N, two: number) => one === two;',
	'no-unsafe-member-access': 'export const o = (one: any) => { console.log(one.two === 1); };',
	'no-unsafe-return': 'export const p = (one: any): number => one;',
	'no-unsafe-unary-minus': 'export const q = (one: string) => -one;',
	'prefer-promise-reject-errors': "export const r = () => Promise.reject('r');",
	'require-await': 'export const s = async () => { console.log(1); };',
	'restrict-plus-operands': "export const t = (one: unknown) => 't' + one;",
	'restrict-template-expressions': 'export const u = (one: object) => `${one}`;',
	'switch-exhaustiveness-check':
		"export const v = (one: 'a' | 'b') => { switch (one) { case 'a': return 1; } return 2; };",
	'unbound-method':
		'class W { x = 1; y() { return this.x; } } export const w = (one: W) => [1].map(one.y);'
};

const folder = mkdtempSync(path.join(tmpdir(), 'jovet-lint-'));
after(() => rmSync(folder, { recursive: true, force: true }));

/** The rules that are broken, by the name of the file, by a config of the project. */
function broken(config: string, files: readonly string[]): ReadonlyMap<string, readonly string[]> {
	const { stdout, stderr } = spawnSync(
		process.execPath,
		[
			path.join(PROJECT, 'node_modules/oxlint/bin/oxlint'),
			'--config',
			config,
			'--format',
			'json',
			...files.map((file) => path.join(folder, `${file}.ts`))
		],
		{ cwd: PROJECT, encoding: 'utf8' }
	);
	assert.match(stdout, /^{/, stdout + stderr);
	const { diagnostics } = JSON.parse(stdout) as {
		diagnostics: readonly { code: string; filename: string }[];
	};
	return new Map(
		files.map((file) => [
			file,
			diagnostics
				.filter(({ filename }) => path.basename(filename, '.ts') === file)
				.map(({ code }) => code.replace(/^.*\((.*)\)$/, '$1'))
		])
	);
}

for (const config of ['.oxlintrc.json', 'oxlint.components.json'])
	test(`every rule of ${config} names what breaks it, and nothing where nothing does`, () => {
		const compilerOptions = { strict: true, target: 'esnext', lib: ['esnext', 'dom'], types: [] };
		writeFileSync(path.join(folder, 'tsconfig.json'), JSON.stringify({ compilerOptions }));
		writeFileSync(path.join(folder, 'sound.ts'), 'export const sound = (one: number) => one + 1;');
		const own = readFileSync(path.join(PROJECT, config), 'utf8');
		const rules = [...own.matchAll(/"typescript\/([\w-]+)": (?:"error"|\[)/g)];
		const names = [...new Set(rules.map(([, name = '']) => name))];
		assert.ok(names.length > 0, 'the config has rules');
		for (const name of names) {
			const breaker = BREAKERS[name];
			assert.ok(breaker !== undefined, `${name} has something that breaks it here`);
			writeFileSync(path.join(folder, `${name}.ts`), breaker);
		}
		const found = broken(path.join(PROJECT, config), [...names, 'sound']);
		for (const name of names) assert.ok(found.get(name)?.includes(name), `${name} is named`);
		assert.deepEqual(found.get('sound'), []);
	});
