import type { ResultTold } from '../../../src/lib/core/results/index.ts';
import { readPlan } from '../../../src/lib/server/services/read-plan.ts';
import { workList } from '../../../src/lib/wording/work-list.ts';
import { HARBOUR_DOUGH, TOMORROW } from '../test-database.ts';
import type { Night } from './night.ts';

/** What came out of a portion: counted, weighed, scored, a fault, and one of them taken back. */
export async function tellTheResults({ db, tell }: Night): Promise<void> {
	const { accepted } = await readPlan(db, TOMORROW);
	if (!accepted) throw new Error('a plan was accepted');
	const { input } = accepted.document;
	const dough = input.doughs.find(({ formulaId }) => formulaId === HARBOUR_DOUGH);
	const portion = dough?.mixes[0]?.portions.find(({ role }) => role === 'carries');
	const [drop] = input.drops;
	if (!dough || !portion || !drop) throw new Error('the night has bread and a drop');
	const of = { formulaId: dough.formulaId, ordinal: 1, productId: portion.productId };
	const told: readonly ResultTold[] = [
		{ kind: 'counted', good: 3, second: 1, lost: 2, because: 'burnt' },
		{ kind: 'weighed', pieces: 2, bakedGrams: 1600 },
		{ kind: 'scored', scores: { crust: 4, crumb: 3, taste: null }, note: 'a little pale' },
		{ kind: 'fault', fault: 'pale', note: '' },
		{ kind: 'less', dropId: drop.id, pieces: 1 }
	];
	let last: string | null = null;
	for (const [at, one] of told.entries()) {
		const done = await tell(132 + at, {
			kind: 'tell-result',
			date: TOMORROW,
			portion: of,
			told: one
		});
		if (done.outcome === 'done') last = done.answer.entryId;
	}
	if (last !== null) await tell(138, { kind: 'strike-result', entryId: last });
	const none = { ...of, ordinal: 99 };
	await tell(139, {
		kind: 'tell-result',
		date: TOMORROW,
		portion: none,
		told: { kind: 'again', pieces: 2 }
	});
}

/** A mix is put off, begun, tapped twice, done, and its end taken back; an oven is set. */
export async function tapTheNight({ db, tell }: Night): Promise<void> {
	const { accepted } = await readPlan(db, TOMORROW);
	if (!accepted) throw new Error('a plan was accepted');
	const list = workList(accepted.document.plan, accepted.document.input);
	const key = `mix:${HARBOUR_DOUGH}:1:`;
	const mix = list.find(({ taskId, kind }) => kind === 'do' && taskId?.startsWith(key));
	const oven = list.find(({ kind }) => kind === 'oven');
	if (!mix || !oven) throw new Error('the night mixes and bakes');
	const of = {
		kind: 'tap-work' as const,
		date: TOMORROW,
		untilMs: null,
		because: '',
		celsius: null,
		personId: null
	};
	const work = { ...of, work: mix.key, taskId: mix.taskId };
	await tell(125, {
		...work,
		act: 'put-off',
		untilMs: mix.atMs + 900_000,
		because: 'no hands free'
	});
	await tell(126, { ...work, act: 'begun' });
	await tell(127, { ...work, act: 'begun' });
	const ended = await tell(128, { ...work, act: 'ended' });
	if (ended.outcome === 'done' && ended.answer.entryId !== null)
		for (let time = 0; time < 2; time += 1)
			await tell(129, { kind: 'strike-work', entryId: ended.answer.entryId });
	await tell(130, { ...of, work: oven.key, taskId: null, act: 'ended' });
	await tell(131, { ...of, work: 'mix:none:1:0 do 0', taskId: 'mix:none:1:0', act: 'ended' });
}
