import { MINUTE_MS } from '../time/index.ts';
import { asDecided, isDecision } from './decided.ts';
import type { BakeDayInput, PlannedPerson } from './input.ts';
import type { PlanWish } from './placement.ts';

/** What was agreed about a night so that it can be done: it gives room where every other wish takes some. */
export type Agreement = Extract<PlanWish, { readonly kind: 'drop-later' | 'there-too' }>;

export function isAgreement(wish: PlanWish): wish is Agreement {
	return wish.kind === 'drop-later' || wish.kind === 'there-too';
}

/** Whether a wish makes another day of it, rather than binding what is planned. */
export function changesTheDay(wish: PlanWish): boolean {
	return isAgreement(wish) || isDecision(wish);
}

/**
 * The day with what was agreed about it: drops that may come later than ordered, people who come sooner or stay longer
 * than their shifts say; and with what was decided of how it is made. What is ordered and the shifts themselves stay as they are.
 * Range: any wishes; those that bind are no matter here. Failures: none.
 * Example: a ferry at 06:10 that waits 25 minutes is met at 06:35.
 */
export function asAgreed(ordered: BakeDayInput, wishes: readonly PlanWish[]): BakeDayInput {
	const input = asDecided(ordered, wishes);
	const agreed = wishes.filter(isAgreement);
	if (agreed.length === 0) return input;
	const laterMs = (dropId: string) =>
		Math.max(
			0,
			...agreed.flatMap((one) =>
				one.kind === 'drop-later' && one.dropId === dropId ? [one.minutes * MINUTE_MS] : []
			)
		);
	return {
		...input,
		drops: input.drops.map((drop) => {
			const byMs = laterMs(drop.id);
			return { ...drop, dueMs: drop.dueMs + byMs, readyByMs: drop.readyByMs + byMs };
		}),
		people:
			input.people?.map((person) => ({
				...person,
				there: joined([
					...person.there,
					...agreed.flatMap((one) =>
						one.kind === 'there-too' && one.personId === person.id
							? [{ fromMs: one.fromMs, toMs: one.toMs }]
							: []
					)
				])
			})) ?? null
	};
}

type Stretch = PlannedPerson['there'][number];

/** Stretches of time as few that do not overlap: nobody is there twice. */
function joined(stretches: readonly Stretch[]): readonly Stretch[] {
	return stretches
		.filter(({ fromMs, toMs }) => fromMs < toMs)
		.toSorted((a, b) => a.fromMs - b.fromMs)
		.reduce<readonly Stretch[]>((done, next) => {
			const last = done.at(-1);
			if (!last || next.fromMs > last.toMs) return [...done, next];
			return [...done.slice(0, -1), { ...last, toMs: Math.max(last.toMs, next.toMs) }];
		}, []);
}

/** How much later than ordered a drop is due by what was agreed, in minutes; 0 where nothing was. */
export function laterThanOrdered(
	{ dropId, dueMs }: { readonly dropId: string; readonly dueMs: number },
	{ drops }: Pick<BakeDayInput, 'drops'>
): number {
	const ordered = drops.find(({ id }) => id === dropId);
	return ordered ? (dueMs - ordered.dueMs) / MINUTE_MS : 0;
}
