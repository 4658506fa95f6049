import { test } from 'node:test';
import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import type { DayPlan } from '../core/planning/index.ts';
import { PLAN_DOCUMENT_SCHEMA, readPlanDocument } from '../contracts/plan-document.ts';
import { inTheWordsOfToday, sheetAsToldThen } from './words-since.fixture.ts';

/** Plans as they were stored, each with the run sheet it told then. They are never written again. */
const FOLDER = new URL('../../../tests/fixtures/plan-documents/', import.meta.url);
interface Kept {
	readonly schema: number;
	readonly document: unknown;
	readonly runSheet: readonly { readonly what: string; readonly detail: string | null }[];
	readonly drops: readonly (Omit<DayPlan['drops'][number], 'readyByMs'> & {
		readonly readyByMs?: number;
	})[];
	readonly tasks: DayPlan['tasks'];
}
const files = readdirSync(FOLDER);

/** What tasks tell since the third shape. */
const SINCE_THREE: ReadonlySet<string> = new Set(['placedAs', 'movesMs', 'attended']);

test('there is a stored plan of every shape in which plans are told', () => {
	const shapes = Array.from(
		{ length: PLAN_DOCUMENT_SCHEMA },
		(_, at) => `schema-${at + 1}.json.gz`
	);
	assert.deepEqual(files.sort(), shapes.sort());
});

/** Without the names of places and the programmes of bakes, of which these plans told none. */
const unnamed = (tasks: unknown) =>
	JSON.stringify(tasks, (key, value: unknown) =>
		(key === 'named' && value === null) || key === 'programme' ? undefined : value
	);

for (const file of files)
	test(`a plan stored as ${file} tells the run sheet it told then`, () => {
		const kept = JSON.parse(
			gunzipSync(readFileSync(new URL(file, FOLDER))).toString('utf8')
		) as Kept;
		const { plan, input } = readPlanDocument(kept.schema, kept.document);
		const sheet = sheetAsToldThen(plan, input);
		assert.ok(kept.runSheet.length > 40);
		assert.deepEqual(sheet, kept.runSheet.map(inTheWordsOfToday));
		// Of the first shape nothing stood between packing and the drop.
		assert.deepEqual(
			plan.drops.map((drop) =>
				kept.schema > 2 ? drop : { ...drop, late: null, othersReadyMs: null }
			),
			kept.drops.map((drop) => ({
				...drop,
				readyByMs: drop.readyByMs ?? drop.dueMs,
				...(kept.schema > 2 ? {} : { late: null, othersReadyMs: null })
			}))
		);
		const asThen = plan.tasks.map((task) =>
			Object.fromEntries(
				Object.entries(task).filter(([field]) => kept.schema > 2 || !SINCE_THREE.has(field))
			)
		);
		assert.deepEqual(JSON.parse(unnamed(asThen)), kept.tasks);
	});

test('a plan in a shape that is not known is refused by name', () => {
	assert.throws(() => readPlanDocument(99, {}), /shape 99/);
});
