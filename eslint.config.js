import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';

/** The core is given the time, chance and ids; it never takes them. */
const NO_CLOCK_OR_CHANCE = [
	{ object: 'Date', property: 'now', message: 'The core is given the time as an argument.' },
	{ object: 'Math', property: 'random', message: 'The core is given chance as an argument.' },
	{ object: 'performance', property: 'now', message: 'The core is given the time as an argument.' },
	{ object: 'crypto', property: 'randomUUID', message: 'The core is given ids as arguments.' }
];
const NO_BARE_DATE = [
	{
		selector: "NewExpression[callee.name='Date'][arguments.length=0]",
		message: 'The core is given the time as an argument.'
	},
	{
		selector: "MemberExpression[object.name='Temporal'][property.name='Now']",
		message: 'The core is given the time as an argument.'
	}
];

/** What can be seen without types; rules that want them are held by oxlint, which has types in a tenth of the time (.oxlintrc.json). */
export default ts.config(
	// What is in kernel/ is AssemblyScript, of which these know nothing: its compiler checks it.
	{ ignores: ['.svelte-kit', 'build', '.data', 'tests/fixtures', 'node_modules', 'kernel'] },
	js.configs.recommended,
	...ts.configs.recommended,
	...svelte.configs.recommended,
	prettier,
	...svelte.configs.prettier,
	{
		languageOptions: {
			globals: { ...globals.browser, ...globals.node }
		},
		rules: {
			'max-lines': ['error', { max: 400, skipBlankLines: false, skipComments: false }],
			eqeqeq: 'error',
			'no-undef': 'off',
			'@typescript-eslint/no-unused-vars': [
				'error',
				{ argsIgnorePattern: '^_', varsIgnorePattern: '^_' }
			],
			'@typescript-eslint/ban-ts-comment': [
				'error',
				{ 'ts-expect-error': 'allow-with-description', 'ts-ignore': true, 'ts-nocheck': true }
			],
			'@typescript-eslint/consistent-type-imports': 'error'
		}
	},
	{
		files: ['**/*.svelte', '**/*.svelte.ts'],
		languageOptions: {
			parserOptions: { parser: ts.parser }
		}
	},
	{
		// These are given addresses that whoever gives them has resolved, which is seen by their types alone.
		files: [
			'src/lib/features/bakery/entries/EntriesRoom.svelte',
			'src/lib/features/formulas/BookNav.svelte',
			'src/lib/features/frame/DateSwitch.svelte',
			'src/lib/features/run-sheet/RunSheetRoom.svelte',
			'src/lib/features/trace/*Trace.svelte',
			'src/lib/features/trace/TraceRoom.svelte'
		],
		rules: { 'svelte/no-navigation-without-resolve': 'off' }
	},
	{
		files: ['src/lib/core/**/*.ts'],
		ignores: ['**/*.test.ts'],
		rules: {
			'no-restricted-properties': ['error', ...NO_CLOCK_OR_CHANCE],
			'no-restricted-syntax': ['error', ...NO_BARE_DATE]
		}
	},
	{
		files: ['**/*.test.ts', 'tests/**/*.ts'],
		rules: {
			'@typescript-eslint/no-non-null-assertion': 'off'
		}
	}
);
