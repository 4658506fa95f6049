import { addDays } from '../../../src/lib/core/time/index.ts';
import { demoId } from '../../../src/lib/server/demo/demo-id.ts';
import { FERRY, LOAF, TOMORROW } from '../test-database.ts';
import type { Night } from './night.ts';

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
	await tell(32, standing(1));
	await tell(32, standing(1));
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
