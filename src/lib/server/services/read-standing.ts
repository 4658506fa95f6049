import type { StandingView } from '../../contracts/views.ts';
import { id, type DropId, type ProductId } from '../../core/identity.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadEntries } from '../db/entries.ts';
import { loadFormulaBook } from '../db/formula-book.ts';
import { dropsOf } from '../db/of-entries.ts';
import { loadStandingFrom, loadStandingVersions } from '../db/standing-orders.ts';
import { orderProducts } from './read-orders.ts';

/** What stands ordered by weekday from a date on. */
export async function readStanding(db: Db, date: BakeDate): Promise<StandingView> {
	const [entries, book, stretches, versions] = await Promise.all([
		loadEntries(db, date, ['drop', 'customer']),
		loadFormulaBook(db),
		loadStandingFrom(db, date),
		loadStandingVersions(db)
	]);
	const customers = entries.of('customer');
	return {
		date,
		drops: dropsOf(entries).map((drop) => ({
			id: id<DropId>(drop.id),
			name: drop.name,
			dueTime: drop.dueTime,
			weekdays: drop.weekdays,
			customers: customers
				.filter(({ content }) => content.dropId === drop.id)
				.map(({ name }) => name)
		})),
		products: orderProducts(
			book,
			new Set(stretches.map(({ productId }) => id<ProductId>(productId)))
		),
		stretches: stretches.map((stretch) => ({
			...stretch,
			dropId: id<DropId>(stretch.dropId),
			productId: id<ProductId>(stretch.productId)
		})),
		versions: versions.map(({ dropId, productId, version }) => ({
			dropId: id<DropId>(dropId),
			productId: id<ProductId>(productId),
			version
		}))
	};
}
