import type {
	OrderChangeView,
	OrderDoughView,
	OrderProductView,
	OrdersView
} from '../../contracts/views.ts';
import { cutOffMs } from '../../core/bakery/index.ts';
import { mixedShare, resolveFormula } from '../../core/formula/index.ts';
import { id, type DropId, type ProductId } from '../../core/identity.ts';
import { limitsOfOrders, ordersMoved } from '../../core/planning/index.ts';
import { asDoughs, fitsMixer, mostOfMixers } from '../../core/production/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { loadLeadsOn } from '../db/batches.ts';
import type { Db } from '../db/client.ts';
import type { FormulaBook } from '../db/formula-book.ts';
import { latestOtherDateWithOrders, loadOrderChanges } from '../db/orders.ts';
import { loadNewestPlan } from '../db/plans.ts';
import { bakeDayInput } from './bake-day-input.ts';
import { loadLearnedForPlan } from './learned-for-plan.ts';
import { loadBakeryDay, type BakeryDay } from './day-production.ts';
import { overOfDay } from './over-of-day.ts';

/** How many of the newest changes are told. */
const CHANGES_TOLD = 40;

/** Products by drops for a date. */
export async function readOrders(
	db: Db,
	date: BakeDate,
	loaded = loadBakeryDay(db, date)
): Promise<OrdersView> {
	const [day, leads, plan, changes] = await Promise.all([
		loaded,
		loadLeadsOn(db, date),
		loadNewestPlan(db, date),
		loadOrderChanges(db, date, CHANGES_TOLD)
	]);
	const input = bakeDayInput(day, leads, await loadLearnedForPlan(db, day));
	const { book, orders: lines } = day;
	const ordered = new Set(
		lines.filter((line) => line.pieces > 0).map((line) => id<ProductId>(line.productId))
	);
	const cutOffs = new Map(
		day.drops.map((drop) => [drop.id, cutOffMs(drop, date, day.bakery.timeZone)])
	);
	const isTyped = lines.some((line) => line.typed && line.pieces > 0);
	return {
		date,
		drops: day.drops.map((drop) => ({
			id: id<DropId>(drop.id),
			name: drop.name,
			dueTime: drop.dueTime,
			dueMs: drop.dueMs,
			readyByMs: drop.readyByMs < drop.dueMs ? drop.readyByMs : null,
			customers: day.customers
				.filter((customer) => customer.dropId === drop.id)
				.map(({ name }) => name),
			cutOffMs: cutOffs.get(drop.id) ?? null
		})),
		products: orderProducts(book, ordered),
		cells: lines.map((line) => ({
			dropId: id<DropId>(line.dropId),
			productId: id<ProductId>(line.productId),
			pieces: line.pieces,
			standing: line.standing,
			typed: line.typed,
			version: line.version
		})),
		copyFrom: isTyped ? null : await latestOtherDateWithOrders(db, date),
		closed: day.closed,
		notToday: day.notToday,
		over: overOfDay(day),
		unmade: day.production.unmade,
		doughs: orderDoughs(day),
		limits: limitsOfOrders(input),
		sincePlan: plan && {
			...ordersMoved(plan.document.input, input),
			number: plan.number,
			acceptedBy: plan.acceptedBy,
			acceptedAtMs: plan.acceptedAtMs
		},
		changes: changes.map((change): OrderChangeView => {
			const cutOff = cutOffs.get(change.dropId) ?? null;
			return {
				...change,
				dropId: id<DropId>(change.dropId),
				productId: id<ProductId>(change.productId),
				afterCutOff: cutOff !== null && change.atMs > cutOff
			};
		})
	};
}

/** The products that can be ordered, and those that are. */
export function orderProducts(
	book: FormulaBook,
	ordered: ReadonlySet<ProductId>
): readonly OrderProductView[] {
	const doughNames = new Map(book.formulas.map(({ formula }) => [formula.id, formula.name]));
	return book.products
		.filter(({ product, retired }) => !retired || ordered.has(product.id))
		.map(({ product, scaledGrams, retired }) => {
			const doughs = asDoughs([product]);
			return {
				id: product.id,
				name: product.name,
				scaledGrams,
				sheet: product.sheet,
				spares: product.spares,
				doughName: doughs.map((dough) => doughNames.get(dough.formulaId) ?? '').join(' + '),
				doughs: doughs.map(({ formulaId, scaledWeight }) => ({
					formulaId,
					grams: scaledWeight.grams
				})),
				retired
			};
		});
}

/** Every dough of the book that can be made: what is made of it, and what its mixes follow from. */
function orderDoughs({ input, production }: BakeryDay): readonly OrderDoughView[] {
	return input.formulas.flatMap(({ formula, limits }): OrderDoughView[] => {
		const resolved = resolveFormula(formula, input.pantry);
		if (!resolved.ok) return [];
		const made = production.doughs.find((dough) => dough.resolved.formula.id === formula.id);
		const mixes = made?.mixes ?? [];
		const seen = mixedShare(resolved.value.final);
		const small = mixes.find(
			(mix) => mix.made === null && !fitsMixer(limits, mix.dough.value * seen)
		);
		return [
			{
				formulaId: formula.id,
				name: formula.name,
				mixes: mixes.length,
				grams: mixes.reduce((total, mix) => total + mix.dough.value, 0),
				doughLossShare: formula.doughLoss.share,
				mixedShare: seen,
				mostGrams: mostOfMixers(limits).grams,
				tooSmall: small
					? {
							grams: small.dough.value * seen,
							leastGrams: Math.min(...limits.map(({ least }) => least.grams))
						}
					: null
			}
		];
	});
}
