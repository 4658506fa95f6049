import { addDays } from '../../../src/lib/core/time/index.ts';
import { demoId } from '../../../src/lib/server/demo/demo-id.ts';
import { readPlan } from '../../../src/lib/server/services/read-plan.ts';
import { FERRY, LOAF, TOMORROW } from '../test-database.ts';
import { nightId, type Night } from './night.ts';

/** Numbers that are typed by weekday and in a block, over what somebody else changed too; and what was counted. */
export async function typeOrders({ tell }: Night): Promise<void> {
	const shop = demoId('drop', 'Shop and cafés');
	const far = addDays(TOMORROW, 28);
	const standing = (expectedVersion: number) => ({
		kind: 'set-standing' as const,
		fromDate: far,
		untilDate: addDays(far, 13),
		lines: [{ dropId: FERRY, productId: LOAF, weekdays: [2, 4], pieces: 33, expectedVersion }]
	});
	await tell(32, standing(1), 'standing orders');
	await tell(32, standing(1));
	await tell(32, {
		kind: 'take-back-standing',
		commandId: nightId('standing orders'),
		lines: [{ dropId: FERRY, productId: LOAF, expectedVersion: 2 }]
	});
	await tell(32, standing(3));
	const block = (pieces: number | null, expectedVersion: number) => ({
		kind: 'change-orders' as const,
		date: far,
		lines: [
			{ dropId: FERRY, productId: LOAF, pieces, expectedVersion },
			{ dropId: shop, productId: LOAF, pieces: 11, expectedVersion }
		]
	});
	await tell(32, block(9, 0));
	await tell(32, block(10, 0));
	await tell(32, block(null, 1));
	const salt = demoId('ingredient', 'Salt');
	const entry = { ingredientId: salt, lot: '', note: '' };
	await tell(32, { kind: 'take-stock', ...entry, what: 'counted', grams: 12_500 });
	const linseed = demoId('ingredient', 'Linseed');
	await tell(32, { kind: 'count-stock', lines: [{ ingredientId: linseed, grams: 7400 }] });
	await tell(32, { kind: 'take-stock', ...entry, what: 'received', grams: 10_000, lot: 'S-14' });
	await tell(32, { kind: 'take-stock', ...entry, what: 'taken-out', grams: 250 });
	const keeping = {
		kind: 'keep-stock' as const,
		ingredientId: salt,
		supplierId: demoId('supplier', 'Upland dairy'),
		packGrams: 1000,
		leastGrams: 5000,
		expectedVersion: 1
	};
	await tell(32, keeping);
	await tell(32, keeping);
}

/** A pre-ferment is weighed into its bowl: one weight is struck, one is added by feel. */
export async function weighUp({ db, tell }: Night): Promise<void> {
	const poolish = demoId('preparation', 'Poolish');
	const { input } = await readPlan(db, TOMORROW);
	const build = input.builds.find(({ preparationId }) => preparationId === poolish);
	if (!build) throw new Error('the night has a poolish');
	const batch = {
		kind: 'planned-preparation' as const,
		date: TOMORROW,
		preparationId: build.preparationId,
		ordinal: build.ordinal,
		revisionId: build.revisionId,
		grams: build.grams
	};
	const weigh = (ingredient: string, grams: number, how: 'typed' | 'by-feel' = 'typed') =>
		tell(
			118,
			{
				kind: 'weigh-line',
				batch,
				material: { kind: 'ingredient', ingredientId: demoId('ingredient', ingredient) },
				addition: how === 'by-feel' ? 'by feel' : 'start',
				wantedGrams: how === 'by-feel' ? 0 : grams - 20,
				grams,
				how,
				closeEnough: false,
				scale: how === 'by-feel' ? '' : 'floor scale',
				lot: ''
			},
			`weighed ${ingredient} ${how}`
		);
	const flour = await weigh('Bread flour', 6800);
	await weigh('Water', 6800);
	await weigh('Water', 60, 'by-feel');
	if (flour.outcome === 'done')
		for (let time = 0; time < 2; time += 1)
			await tell(119, { kind: 'strike-weighing', weighingId: flour.answer.weighingId });
}
