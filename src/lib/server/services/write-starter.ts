import { randomUUID } from 'node:crypto';
import type { StarterKey } from '../../contracts/starters.ts';
import { USUAL_SPACING_CM } from '../../core/bakery/index.ts';
import {
	USUAL_BUILD_LOSS_SHARE,
	USUAL_DOUGH_LOSS_SHARE,
	type Material,
	type Preparation,
	type Step
} from '../../core/formula/index.ts';
import { id, type FormulaId, type PreparationId, type ProductId } from '../../core/identity.ts';
import type { Tx } from '../db/client.ts';
import { pinsOf, type FormulaBook } from '../db/formula-book.ts';
import { insertFormulaRevision, nameFormula } from '../db/formulas.ts';
import { insertPreparationRevision, namePreparation } from '../db/preparations.ts';
import { insertProductRevision, nameProduct } from '../db/products.ts';
import { withPlainIngredients } from './plain-pantry.ts';
import { STARTER_FORMULAS } from '../starters/starters.ts';

interface Beginning {
	readonly starter: StarterKey;
	readonly formulaId: FormulaId;
	readonly name: string;
	readonly productId: ProductId;
	readonly productName: string;
}

/** Writes a starter into the book: what it takes from first, then its dough, then what is made of it. */
export async function writeStarter(
	tx: Tx,
	book: FormulaBook,
	beginning: Beginning,
	by: { readonly madeBy: string; readonly occurredAtMs: number }
): Promise<void> {
	const starter = STARTER_FORMULAS[beginning.starter];
	const first = { number: 1, cause: 'edited' as const, ...by };
	const pantry = await withPlainIngredients(
		tx,
		book,
		[...starter.lines, ...(starter.preparation?.lines ?? [])].map(([name]) => name),
		by
	);
	const ingredients = pantry.pins;
	const preparations = new Map(pinsOf(book).preparations);
	const material = (name: string): Material => {
		const ingredientId = pantry.byName.get(name);
		if (ingredientId === undefined) throw new Error(`no starter takes from ${name}`);
		return { kind: 'ingredient', ingredientId };
	};
	const steps = (chain: readonly Step[]) => inTheRoom(chain, book);
	let prepared: Preparation | null = null;
	if (starter.preparation) {
		const { lines, takeBackGrams, steps: chain } = starter.preparation;
		prepared = {
			id: id<PreparationId>(randomUUID()),
			name: freeName(
				starter.preparation.name,
				[...book.preparations.values()].map(({ preparation }) => preparation.name)
			),
			kind: 'build',
			lines: lines.map(([name, parts]) => ({ material: material(name), parts })),
			buildLoss: { share: USUAL_BUILD_LOSS_SHARE },
			takeBackGrams
		};
		await namePreparation(tx, prepared.id, prepared.name);
		const of = { ...first, steps: steps(chain) };
		const revision = await insertPreparationRevision(tx, prepared, of, {
			ingredients,
			preparations
		});
		preparations.set(prepared.id, revision);
	}
	await nameFormula(tx, beginning.formulaId, beginning.name);
	await insertFormulaRevision(
		tx,
		{
			formula: {
				id: beginning.formulaId,
				name: beginning.name,
				lines: starter.lines.map(([name, percentOfFlour, addition]) => ({
					material:
						prepared && name === starter.preparation?.name
							? { kind: 'preparation', preparationId: prepared.id }
							: material(name),
					percentOfFlour,
					addition: addition ?? 'start'
				})),
				doughLoss: { share: USUAL_DOUGH_LOSS_SHARE },
				deliveries: []
			},
			targetCelsius: starter.targetCelsius,
			frictionKilojoulesPerKilogram: starter.frictionKilojoulesPerKilogram,
			mostDoughGrams: null,
			steps: steps(starter.steps)
		},
		first,
		{ ingredients, preparations }
	);
	const { product } = starter;
	await nameProduct(tx, beginning.productId, beginning.productName);
	await insertProductRevision(
		tx,
		{
			product: {
				id: beginning.productId,
				name: beginning.productName,
				doughs: [{ formulaId: beginning.formulaId, scaledWeight: { grams: product.grams } }],
				extras: [],
				sheet: null,
				spares: { share: 0 }
			},
			bakedGrams: null,
			bakeLossShare: product.bakeLossShare,
			sparesShare: 0,
			shape: product.shape,
			score: '',
			scoreMm: null,
			vesselId: null,
			dividerId: null,
			footprint: product.footprint,
			heightCm: null,
			sheet: null,
			piecesPerDeck: null,
			spacingCm: USUAL_SPACING_CM,
			steps: steps(product.steps)
		},
		first,
		{ ingredients, preparations }
	);
}

/** What waits in a room waits in the one all stand in, by its name. */
function inTheRoom(steps: readonly Step[], { places }: FormulaBook): readonly Step[] {
	const room = [...places.values()].find((place) => place.role === 'bakehouse');
	if (!room) return steps;
	return steps.map((step) =>
		step.kind === 'wait'
			? {
					...step,
					legs: step.legs.map((leg) => ({
						...leg,
						named: { id: room.id, name: room.name },
						ambientCelsius: room.celsius
					}))
				}
			: step
	);
}

function freeName(name: string, taken: readonly string[]): string {
	let free = name;
	for (let number = 2; taken.includes(free); number += 1) free = `${name} ${number}`;
	return free;
}
