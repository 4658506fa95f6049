// Which folder may lean on which. Each rule is shown to fail once by tests/rules.
const CORE = '^src/lib/core/';
const test = '\\.test\\.ts$';
/** Where the types of the server's commands come to the browser. */
const COMMANDS = '^src/lib/contracts/commands\\.ts$';

/** Folders of the core and the siblings each may enter; all may use result, identity, units, time and explain. */
const BASE = ['units', 'explain', 'time'];
const CORE_FOLDERS = {
	formula: ['baking'],
	heat: [],
	fermentation: [],
	baking: [],
	bakery: [],
	schedule: [],
	sheeting: ['formula'],
	production: ['formula', 'sheeting'],
	ripening: ['formula', 'fermentation'],
	learning: ['formula', 'heat', 'fermentation', 'ripening'],
	mixing: ['bakery', 'formula', 'heat', 'fermentation', 'production', 'learning'],
	culture: ['formula', 'fermentation', 'ripening', 'learning'],
	stock: ['bakery'],
	weighing: ['formula', 'production'],
	planning: ['bakery', 'baking', 'formula', 'fermentation', 'ripening', 'schedule'],
	bench: ['planning'],
	results: ['planning', 'bench', 'tracing', 'fermentation'],
	tracing: []
};

const siblingRules = Object.entries(CORE_FOLDERS).map(([folder, allowed]) => ({
	name: `core-${folder}-keeps-to-itself`,
	comment: `core/${folder} may enter ${[...allowed, ...BASE].join(', ')} and no other folder of the core`,
	severity: 'error',
	from: { path: `${CORE}${folder}/`, pathNot: test },
	to: { path: `${CORE}[^/]+/`, pathNot: `${CORE}(${[folder, ...allowed, ...BASE].join('|')})/` }
}));

module.exports = {
	forbidden: [
		{
			name: 'no-circle',
			severity: 'error',
			from: {},
			to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } }
		},
		{
			name: 'core-imports-only-core',
			comment:
				'the core has no interface, server, database or clock in it; temporal-polyfill is calendar arithmetic',
			severity: 'error',
			from: { path: CORE, pathNot: test },
			to: { pathNot: [CORE, '(^|/)node_modules/temporal-(polyfill|spec|utils)/'] }
		},
		{
			name: 'units-at-the-bottom',
			severity: 'error',
			from: { path: `${CORE}(units|explain|time)/`, pathNot: test },
			to: { path: `${CORE}[^/]+/`, pathNot: [`${CORE}(units|explain|time)/`] }
		},
		...siblingRules,
		{
			name: 'core-folder-by-its-index',
			comment: 'one core folder enters another through its index; fixtures serve tests',
			severity: 'error',
			from: { path: `${CORE}([^/]+)/`, pathNot: [test, '\\.fixture\\.ts$'] },
			to: { path: `${CORE}[^/]+/`, pathNot: [`${CORE}$1/`, `${CORE}[^/]+/index\\.ts$`] }
		},
		{
			name: 'contracts-lean-on-core',
			severity: 'error',
			from: { path: '^src/lib/contracts/', pathNot: [test, COMMANDS] },
			to: { path: '^src/', pathNot: [CORE, '^src/lib/contracts/'] }
		},
		{
			name: 'commands-are-told-by-their-types',
			comment:
				'a command is one module of the server; the browser knows its types and nothing else of it',
			severity: 'error',
			from: { path: COMMANDS },
			to: {
				path: '^src/',
				pathNot: [CORE, '^src/lib/contracts/'],
				dependencyTypesNot: ['type-only']
			}
		},
		{
			name: 'devices-lean-on-core-and-contracts',
			comment: 'a device holds an address and a key; it knows nothing of the application',
			severity: 'error',
			from: { path: '^src/lib/devices/', pathNot: test },
			to: { path: '^src/', pathNot: [CORE, '^src/lib/(contracts|devices)/'] }
		},
		{
			name: 'database-packages-in-server-db',
			severity: 'error',
			from: { path: '^src/', pathNot: ['^src/lib/server/', '^src/routes/health/'] },
			to: { path: '(^|/)node_modules/(kysely|pg)/' }
		},
		{
			name: 'pg-only-in-the-client',
			severity: 'error',
			from: { path: '^src/', pathNot: '^src/lib/server/db/' },
			to: { path: '(^|/)node_modules/pg/' }
		},
		{
			name: 'server-is-entered-by-server-files',
			severity: 'error',
			from: {
				path: '^src/',
				// `app.d.ts` says what a request carries on the server: types alone.
				pathNot: [
					'^src/lib/server/',
					'\\.server\\.ts$',
					'\\+server\\.ts$',
					'^src/app\\.d\\.ts$',
					test,
					COMMANDS
				]
			},
			to: { path: '^src/lib/server/' }
		},
		{
			name: 'server-knows-no-interface',
			severity: 'error',
			from: { path: '^src/lib/server/' },
			to: { path: '^src/lib/(features|ui|ribbons|sheets|wording|client|workers)/' }
		},
		{
			name: 'features-never-import-one-another',
			severity: 'error',
			from: { path: '^src/lib/features/([^/]+)/' },
			to: { path: '^src/lib/features/', pathNot: '^src/lib/features/$1/' }
		},
		{
			name: 'features-are-above',
			comment: 'only routes show features',
			severity: 'error',
			from: { path: '^src/lib/', pathNot: '^src/lib/features/' },
			to: { path: '^src/lib/features/' }
		},
		{
			name: 'ui-has-no-trade',
			comment: 'the words of the trade are data to it: a term opens the glossary',
			severity: 'error',
			from: { path: '^src/lib/ui/', pathNot: test },
			to: {
				path: '^src/lib/',
				pathNot: ['^src/lib/ui/', `${CORE}(units|explain)/`, '^src/lib/wording/glossary\\.ts$']
			}
		},
		{
			name: 'wording-leans-on-core-and-contracts',
			severity: 'error',
			from: { path: '^src/lib/wording/', pathNot: test },
			to: { path: '^src/', pathNot: [CORE, '^src/lib/(contracts|wording)/'] }
		},
		{
			name: 'ribbons-lean-on-ui-and-wording',
			severity: 'error',
			from: { path: '^src/lib/ribbons/', pathNot: test },
			to: { path: '^src/', pathNot: [CORE, '^src/lib/(contracts|wording|ui|ribbons)/'] }
		},
		{
			name: 'sheets-lean-on-client-and-wording',
			severity: 'error',
			from: { path: '^src/lib/sheets/', pathNot: test },
			to: { path: '^src/', pathNot: [CORE, '^src/lib/(contracts|wording|ui|client|sheets)/'] }
		},
		{
			name: 'formats-lean-on-core',
			comment: 'files of others are read without interface, server or database',
			severity: 'error',
			from: { path: '^src/lib/formats/', pathNot: test },
			to: { path: '^src/', pathNot: [CORE, '^src/lib/(contracts|formats)/'] }
		},
		{
			name: 'fields-lean-on-client-and-wording',
			severity: 'error',
			from: { path: '^src/lib/fields/', pathNot: test },
			to: { path: '^src/', pathNot: [CORE, '^src/lib/(contracts|wording|ui|client|fields)/'] }
		},
		{
			name: 'workers-import-core-contracts-formats',
			severity: 'error',
			from: { path: '^src/lib/workers/', pathNot: test },
			to: { path: '^src/', pathNot: [CORE, '^src/lib/(contracts|formats|workers)/'] }
		},
		{
			name: 'workers-write-no-tables',
			comment: 'what writes tables needs Node.js: a worker that reaches it does not start',
			severity: 'error',
			from: { path: '^src/lib/workers/' },
			to: { path: '(^|/)node_modules/csv-stringify/', reachable: true }
		},
		{
			name: 'no-unresolved',
			severity: 'error',
			from: {},
			to: {
				couldNotResolve: true,
				pathNot: ['^\\$(app|env)/', '^\\$service-worker$', '^\\./\\$types', '\\?worker$']
			}
		}
	],
	options: {
		doNotFollow: { path: 'node_modules' },
		exclude: { path: ['^\\.svelte-kit', '^build'] },
		tsConfig: { fileName: 'tsconfig.depcruise.json' },
		tsPreCompilationDeps: true,
		enhancedResolveOptions: {
			exportsFields: ['exports'],
			conditionNames: ['svelte', 'import', 'types', 'node', 'default'],
			extensions: ['.ts', '.js', '.mjs', '.svelte', '.d.ts', '.json']
		},
		// An import with a question mark is still an import of that file.
		builtInModules: { add: [] }
	}
};
