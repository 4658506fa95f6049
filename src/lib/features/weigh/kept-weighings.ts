import type { Letter } from '../../client/letter-schema.ts';
import type { BatchName } from '../../contracts/batch-name.ts';
import type { WeighUpView } from '../../contracts/weighing-views.ts';

/** What a letter of the bench says of a weight; it was written by this program. */
type Written = Letter['draft'] & {
	readonly batch?: BatchName;
	readonly material?: { readonly ingredientId?: string; readonly preparationId?: string };
	readonly addition?: string;
	readonly grams?: number;
	readonly how?: 'typed' | 'scale' | 'by-feel';
	readonly closeEnough?: boolean;
	readonly weighingId?: string;
};

/**
 * Lays what waits in this browser over what the server says of a batch: a weight that went in stands on the screen, whether
 * it was heard of or not.
 */
export function withKept(view: WeighUpView, letters: readonly Letter[], by: string): WeighUpView {
	const waiting = letters.filter(({ refused }) => refused === null);
	const heardOf = [...view.lines.flatMap(({ weighed }) => weighed), ...view.byFeel];
	const known = new Set(heardOf.map(({ id }) => id));
	const mine = waiting.flatMap(({ id, draft }) => {
		const written = draft as Written;
		const isMine =
			draft.kind === 'weigh-line' && written.batch && isSame(written.batch, view.batch);
		return isMine && !known.has(id) ? [{ id, ...written }] : [];
	});
	const struck = new Set(waiting.flatMap(({ draft }) => (draft as Written).weighingId ?? []));
	if (mine.length === 0 && struck.size === 0) return view;
	const asWeighing = (one: (typeof mine)[number]) => ({
		id: one.id,
		at: heardOf.length + mine.indexOf(one),
		grams: one.grams ?? 0,
		how: one.how ?? ('typed' as const),
		closeEnough: one.closeEnough ?? false,
		by,
		atMs: one.occurredAtMs
	});
	const keyOf = ({ material, addition }: Written) =>
		`${material?.ingredientId ?? material?.preparationId ?? ''} ${addition ?? ''}`;
	return {
		...view,
		lines: view.lines.map((line) => ({
			...line,
			weighed: [
				...line.weighed,
				...mine.filter((one) => one.how !== 'by-feel' && keyOf(one) === line.key).map(asWeighing)
			].filter(({ id }) => !struck.has(id))
		})),
		byFeel: [
			...view.byFeel,
			...mine
				.filter(({ how }) => how === 'by-feel')
				.map((one) => ({
					...asWeighing(one),
					name:
						view.feelable.find(({ ingredientId }) => ingredientId === one.material?.ingredientId)
							?.name ?? ''
				}))
		].filter(({ id }) => !struck.has(id))
	};
}

/** Whether two names are of one batch, however they came to know it. */
function isSame(a: BatchName, b: BatchName): boolean {
	if (a.kind === 'made' || b.kind === 'made')
		return a.kind === 'made' && b.kind === 'made' && a.batchId === b.batchId;
	const recipe = (name: typeof a) =>
		name.kind === 'planned-mix' ? name.formulaId : name.preparationId;
	return a.date === b.date && a.ordinal === b.ordinal && recipe(a) === recipe(b);
}
