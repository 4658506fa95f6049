import type { OvensView } from '../../contracts/views.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadBakeryDay } from './day-production.ts';
import { readPlan } from './read-plan.ts';

/** The accepted plan of a date with the decks as they are, and the ground that pieces take. */
export async function readOvens(db: Db, date: BakeDate): Promise<OvensView> {
	const loaded = loadBakeryDay(db, date);
	const [{ accepted }, { decks, book }] = await Promise.all([readPlan(db, date, loaded), loaded]);
	const baked = new Set(accepted?.document.input.products.map(({ id }) => id));
	return {
		date,
		accepted,
		decks,
		pieces: book.products
			.filter(({ product }) => baked.has(product.id))
			.map(({ product, footprint, spacingCm, piecesPerDeck }) => ({
				productId: product.id,
				footprint,
				spacingCm,
				piecesPerDeck
			}))
	};
}
