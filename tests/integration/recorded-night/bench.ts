import { readPlan } from '../../../src/lib/server/services/read-plan.ts';
import { workList } from '../../../src/lib/wording/work-list.ts';
import { HARBOUR_DOUGH, TOMORROW } from '../test-database.ts';
import type { Night } from './night.ts';

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
