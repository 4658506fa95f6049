import type { BookRead } from '../../contracts/book-problems.ts';
import type { BringIn } from '../../contracts/bring-in.ts';
import type { OurBook } from '../../contracts/bring-in-views.ts';
import { id, type FormulaId, type IngredientId, type PreparationId } from '../../core/identity.ts';
import { nameKey } from '../name-key.ts';
import type { BringInPlan, Brought, Choices, NewId } from './brought.ts';
import { fileByKeys, type FileByKeys } from './by-keys.ts';
import { materialHere, NamedMaterials } from './named-materials.ts';
import { SettledThings } from './settled-things.ts';

/**
 * What a file would bring into a book, with what was decided of it.
 *
 * Model: names are the same whatever their case. What stands in our book as it is, is left; what has a name of ours and is another comes under a free name unless it was decided otherwise;
 * a line takes ours where ours was chosen. Range: any file and book; `newId` gives the same id for the same thing each time. Source: definition. Failures: none; what is
 * missing is in `unknown`.
 * Example: a levain that is ours already, and a dough that is not, bring the dough alone, made with our levain.
 */
export function bringInPlan(
	{ file, asked }: Pick<BookRead, 'file' | 'asked'>,
	ours: OurBook,
	{ names, clashes }: Choices,
	newId: NewId,
	/** A table has lines alone: what stands beside them is no difference. */
	linesAlone: boolean
): BringInPlan {
	const theirs = fileByKeys(file);
	const settled = new SettledThings(theirs, ours, clashes, newId, linesAlone);
	const materials = new NamedMaterials(settled, ours.matched, names, newId);
	const preparations = preparationsOf(theirs, settled, materials);
	const formulas = formulasOf(theirs, settled, materials);
	const products = productsOf(theirs, settled, materials);
	const ingredients = ingredientsOf(theirs, settled, materials);
	// Looked at last: what it is in stands where the lines were taken.
	for (const { name, usedIn } of asked) materials.byName(name, usedIn);
	const unknown = [...materials.unknown.values()];
	const nothing =
		ingredients.length + preparations.length + formulas.length + products.length === 0;
	// By its key: what was matched stands in the file as ours already.
	const matches = [...names].flatMap(([key, choice]) =>
		'ours' in choice ? [{ name: key, material: materialHere(choice.ours) }] : []
	);
	return {
		things: settled.things,
		unknown,
		content:
			unknown.length > 0 || nothing
				? null
				: { ingredients, preparations, formulas, products, matches }
	};
}

/** What of a kind comes: each with the name it comes under and the id it will have. */
function coming<T>(of: Brought, all: ReadonlyMap<string, T>, settled: SettledThings) {
	return [...all].flatMap(([key, one]) => {
		const [name, idHere] = [settled.nameOf(of, key), settled.idOf(of, key)];
		return name === null || idHere === undefined ? [] : [{ one, name, idHere }];
	});
}

function preparationsOf(
	{ preparations }: FileByKeys,
	settled: SettledThings,
	materials: NamedMaterials
): BringIn['preparations'] {
	return coming('preparations', preparations, settled).map(
		({ one: { kind, lines, ...one }, name, idHere }) => ({
			...one,
			preparationId: id<PreparationId>(idHere),
			name,
			preparationKind: kind,
			lines: materials.linesOf(lines, one.name)
		})
	);
}

function formulasOf(
	{ formulas }: FileByKeys,
	settled: SettledThings,
	materials: NamedMaterials
): BringIn['formulas'] {
	return coming('formulas', formulas, settled).map(({ one: { lines, ...one }, name, idHere }) => ({
		...one,
		formulaId: id<FormulaId>(idHere),
		name,
		lines: materials.linesOf(lines, one.name)
	}));
}

function productsOf(
	{ products }: FileByKeys,
	settled: SettledThings,
	materials: NamedMaterials
): BringIn['products'] {
	return coming('products', products, settled).map(
		({ one: { doughs, extras, ...one }, name, idHere }) => ({
			...one,
			productId: id<BringIn['products'][number]['productId']>(idHere),
			name,
			doughs: doughs.flatMap(({ formula, scaledGrams }) => {
				const there = settled.idOf('formulas', nameKey(formula));
				return there === undefined ? [] : [{ formulaId: id<FormulaId>(there), scaledGrams }];
			}),
			extras: materials.linesOf(extras, one.name)
		})
	);
}

/** What the file describes and is not ours, and what was decided to be new. Called when all lines were taken. */
function ingredientsOf(
	{ ingredients }: FileByKeys,
	settled: SettledThings,
	materials: NamedMaterials
): BringIn['ingredients'] {
	return [
		...coming('ingredients', ingredients, settled).map(({ one, idHere }) => ({
			...one,
			id: idHere
		})),
		...materials.added.values()
	].map(({ id: ingredientIdHere, kind, ...one }) => ({
		...one,
		ingredientId: id<IngredientId>(ingredientIdHere),
		ingredientKind: kind,
		pricePerKilogram: null
	}));
}
