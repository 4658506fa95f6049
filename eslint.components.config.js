import svelte from 'eslint-plugin-svelte';
import ts from 'typescript-eslint';

/**
 * Rules that want types, over the plain TypeScript that `svelte-check --incremental` leaves of each component: one program for all of
 * them. What a rule says names the line of that file; the code is the component's own.
 */
export default ts.config({
	files: ['.svelte-kit/.svelte-check/svelte/src/**/++*.svelte.ts'],
	extends: [ts.configs.base],
	// Its rules are held over the component itself; here they are known, since lines switch them off.
	plugins: { svelte },
	linterOptions: { reportUnusedDisableDirectives: 'off' },
	languageOptions: {
		parserOptions: {
			project: '.svelte-kit/.svelte-check/tsconfig.json',
			tsconfigRootDir: import.meta.dirname
		}
	},
	rules: {
		'@typescript-eslint/await-thenable': 'error',
		'@typescript-eslint/no-floating-promises': 'error',
		// A component may be given what it does not wait for.
		'@typescript-eslint/no-misused-promises': [
			'error',
			{ checksVoidReturn: { properties: false } }
		],
		'@typescript-eslint/switch-exhaustiveness-check': [
			'error',
			{ considerDefaultExhaustiveForUnions: true }
		]
	}
});
