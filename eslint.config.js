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

export default ts.config(
	{ ignores: ['.svelte-kit', 'build', '.data', 'tests/fixtures', 'node_modules'] },
	js.configs.recommended,
	...ts.configs.recommendedTypeChecked,
	...svelte.configs.recommended,
	prettier,
	...svelte.configs.prettier,
	{
		languageOptions: {
			globals: { ...globals.browser, ...globals.node },
			parserOptions: {
				projectService: {
					allowDefaultProject: ['*.js', '.*.cjs']
				},
				extraFileExtensions: ['.svelte'],
				tsconfigRootDir: import.meta.dirname
			}
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
			'@typescript-eslint/consistent-type-imports': 'error',
			'@typescript-eslint/switch-exhaustiveness-check': [
				'error',
				{ considerDefaultExhaustiveForUnions: true }
			],
			'@typescript-eslint/no-floating-promises': [
				'error',
				{
					allowForKnownSafeCalls: [
						{ from: 'package', name: ['test', 'describe', 'it'], package: 'node:test' }
					]
				}
			],
			// SvelteKit ends a load by throwing what redirect() and error() make.
			'@typescript-eslint/only-throw-error': 'off'
		}
	},
	{
		files: ['**/*.svelte.ts'],
		languageOptions: {
			parserOptions: { parser: ts.parser }
		}
	},
	{
		// Types of a component are made anew for each of them here, which took most of the time of all of it. Rules that want types are
		// held over what svelte-check made of the components: eslint.components.config.js.
		files: ['**/*.svelte'],
		extends: [ts.configs.disableTypeChecked],
		languageOptions: {
			parserOptions: { parser: ts.parser, projectService: false }
		},
		rules: { '@typescript-eslint/switch-exhaustiveness-check': 'off' }
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
			'@typescript-eslint/no-non-null-assertion': 'off',
			'@typescript-eslint/no-implied-eval': 'off'
		}
	},
	{
		files: ['**/*.js', '**/*.mjs', '**/*.cjs'],
		extends: [ts.configs.disableTypeChecked]
	}
);
