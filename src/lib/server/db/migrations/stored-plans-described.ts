import { sql, type Kysely } from 'kysely';
import { createHash } from 'node:crypto';
import { z } from 'zod';
import { readPlanDocument, PLAN_DOCUMENT_SCHEMA } from '../../../contracts/plan-document.ts';
import { planAsPlaced } from './plan-as-placed.ts';
import { storedStepSchema } from '../../../contracts/steps.ts';
import { timingOf, type DayPlan } from '../../../core/planning/index.ts';

/** An input as the fourth version stored it: "builds" and "lots", steps beside the mixes. */
const steps = z.array(storedStepSchema);
const inputBefore = z.looseObject({
	builds: z.array(z.looseObject({ steps, takenByProducts: z.array(z.string()).default([]) })),
	doughs: z.array(
		z.looseObject({
			revisionId: z.string(),
			steps,
			mixes: z.array(
				z.looseObject({
					lots: z.array(z.looseObject({ role: z.enum(['carries', 'joins']).default('carries') }))
				})
			)
		})
	),
	products: z.array(z.looseObject({ steps }))
});
const placementBefore = z.object({
	starts: z.record(z.string(), z.int()),
	machines: z.record(z.string(), z.string())
});
const NOTHING = { tasks: [], drops: [], cautions: [], unplanned: [] };

/** Tells every stored plan as the version that stored it told it. */
export async function describeStoredPlans(db: Kysely<unknown>): Promise<void> {
	const { rows } = await sql<{ id: string; input: unknown; placement: unknown }>`
		select id, input, placement from plan_version order by recorded_at`.execute(db);
	for (const row of rows) {
		const { document, fingerprint } = documentOf(row.input, row.placement);
		await sql`update plan_version set document = ${JSON.stringify(document)}::jsonb, document_schema = ${PLAN_DOCUMENT_SCHEMA},
			fingerprint = ${fingerprint} where id = ${row.id}`.execute(db);
	}
}

function documentOf(storedInput: unknown, storedPlacement: unknown) {
	const before = inputBefore.parse(storedInput);
	const after = {
		...before,
		builds: before.builds.map((build) => ({ ...build, ordinal: 1, begun: null })),
		doughs: before.doughs.map(({ steps, revisionId, mixes, ...dough }) => ({
			...dough,
			mixes: mixes.map(({ lots, ...mix }) => ({
				...mix,
				revisionId,
				steps,
				begun: null,
				portions: lots
			}))
		}))
	};
	const { input } = readPlanDocument(1, { input: after, plan: NOTHING });
	const { starts, machines } = placementBefore.parse(storedPlacement);
	const plan = planAsPlaced(input, { starts: renamed(starts), machines: renamed(machines) });
	const fingerprint = createHash('sha256').update(timingOf(input)).digest('hex').slice(0, 32);
	return { document: { input, plan: inOrderOfThen(plan), placement: null }, fingerprint };
}

function renamed<T>(byTask: Readonly<Record<string, T>>): Record<string, T> {
	return Object.fromEntries(
		Object.entries(byTask).map(([task, value]) => [
			task.replace(/^build:([^:]+)/, 'preparation:$1:1').replace(/^lot:/, 'portion:'),
			value
		])
	);
}

/** Tasks keep the names they had, and with them the order in which those of one time are told. */
function inOrderOfThen(plan: DayPlan): DayPlan {
	const then = (task: string) =>
		task.replace(/^preparation:([^:]+):1/, 'build:$1').replace(/^portion:/, 'lot:');
	return {
		...plan,
		tasks: plan.tasks
			.map((task) => ({ ...task, id: then(task.id) }))
			.sort((a, b) => a.startMs - b.startMs || (a.id < b.id ? -1 : 1)),
		cautions: plan.cautions.map((caution) =>
			caution.kind === 'overlap'
				? { ...caution, first: then(caution.first), second: then(caution.second) }
				: caution
		)
	};
}
