import type { BookFile, FileIngredient, FileMaterial } from '../../contracts/book-file.ts';
import type { BookRead } from '../../contracts/book-problems.ts';
import type { BringIn } from '../../contracts/bring-in.ts';
import type { OurBook, OurMaterial } from '../../contracts/bring-in-views.ts';
import type { IngredientKind, Material, Step } from '../../core/formula/index.ts';
import { id, type FormulaId, type IngredientId, type PreparationId } from '../../core/identity.ts';
import { usualOf } from '../../core/mixing/index.ts';
import { nameKey } from '../name-key.ts';

/** The kinds of things a file brings, in the order in which they need each other. */
export const BROUGHT = ['ingredients', 'preparations', 'formulas', 'products'] as const;
export type Brought = (typeof BROUGHT)[number];

/** What somebody decided of a file before it is taken. */
export interface Choices {
	/** What a name that nobody knows is: one of ours by its id, or a new ingredient of a kind. */
	readonly names: ReadonlyMap<
		string,
		{ readonly ours: OurMaterial } | { readonly asNew: IngredientKind }
	>;
	/** Something that is called like one of ours and is another: under a name of its own, or ours instead. */
	readonly clashes: ReadonlyMap<string, { readonly as: string } | 'ours'>;
}

/** One thing of a file, and what becomes of it. */
export interface BroughtOne {
	readonly of: Brought;
	readonly key: string;
	readonly name: string;
	readonly becomes:
		| { readonly kind: 'new'; readonly as: string }
		/** It stands in our book as it is. */
		| { readonly kind: 'stands' }
		/** A product of a dough that neither the file nor our book has. */
		| { readonly kind: 'without-dough' }
		/** Another of that name is ours; what was chosen, or is proposed. */
		| { readonly kind: 'clash'; readonly chosen: { readonly as: string } | 'ours' };
}

/** A name in a line that neither the file describes nor the bakery knows. */
export interface UnknownName {
	readonly key: string;
	readonly name: string;
	/** Where it is taken: the first formula or preparation that does. */
	readonly usedIn: string;
}

export interface BringInPlan {
	readonly things: readonly BroughtOne[];
	readonly unknown: readonly UnknownName[];
	/** What is written; null while something is unknown, or nothing is left to bring. */
	readonly content: BringIn | null;
}

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
	newId: (of: Brought, key: string) => string,
	/** A table has lines alone: what stands beside them is no difference. */
	linesAlone: boolean
): BringInPlan {
	const ourIds = idsByKey(ours);
	const ourFile = byKeys(ours.file);
	const theirs = byKeys(file);
	const matched = new Map(ours.matched.map((one) => [one.key, one]));
	const things: BroughtOne[] = [];
	/** What each thing of the file is here: the id it has, or will have. */
	const here = new Map<string, string>();
	const taken = new Map(BROUGHT.map((of) => [of, new Set(ourIds[of].keys())]));

	const settle = (of: Brought, key: string, name: string, stands: boolean) => {
		const own = ourIds[of].get(key);
		const settled = (becomes: BroughtOne['becomes'], idHere: string) => {
			things.push({ of, key, name, becomes });
			here.set(`${of} ${key}`, idHere);
		};
		if (own === undefined) {
			taken.get(of)?.add(key);
			return settled({ kind: 'new', as: name }, newId(of, key));
		}
		if (stands) return settled({ kind: 'stands' }, own);
		const chosen = clashes.get(`${of} ${key}`) ?? { as: freeName(name, taken.get(of)) };
		if (typeof chosen === 'object') taken.get(of)?.add(nameKey(chosen.as));
		settled({ kind: 'clash', chosen }, chosen === 'ours' ? own : newId(of, key));
	};
	// An ingredient of ours is ours, whatever a file says of it: a bakery knows its own flour.
	for (const [key, { name }] of theirs.ingredients) settle('ingredients', key, name, true);
	const alike = <T>(mine: T | undefined, other: T, of: (one: T) => unknown) =>
		mine !== undefined && asText(of(mine)) === asText(of(other));
	for (const [key, one] of theirs.preparations)
		settle(
			'preparations',
			key,
			one.name,
			alike(ourFile.preparations.get(key), one, (of) => preparationFace(of, linesAlone))
		);
	for (const [key, one] of theirs.formulas)
		settle(
			'formulas',
			key,
			one.name,
			alike(ourFile.formulas.get(key), one, (of) => formulaFace(of, linesAlone))
		);
	for (const [key, one] of theirs.products) {
		const doughs = one.doughs.map(({ formula }) => nameKey(formula));
		if (doughs.every((dough) => theirs.formulas.has(dough) || ourIds.formulas.has(dough)))
			settle(
				'products',
				key,
				one.name,
				alike(ourFile.products.get(key), one, (of) => productFace(of, linesAlone))
			);
		else things.push({ of: 'products', key, name: one.name, becomes: { kind: 'without-dough' } });
	}

	const unknown = new Map<string, UnknownName>();
	const added = new Map<string, FileIngredient & { readonly id: string }>();
	const byName = (name: string, usedIn: string): Material | null => {
		const key = nameKey(name);
		const known = ourIds.ingredients.get(key) ?? here.get(`ingredients ${key}`);
		if (known !== undefined) return materialHere({ is: 'ingredient', id: known });
		const choice = names.get(key);
		const before = matched.get(key);
		if (choice === undefined && before) return materialHere(before);
		if (choice === undefined) {
			if (!unknown.has(key)) unknown.set(key, { key, name, usedIn });
			return null;
		}
		if ('ours' in choice) return materialHere(choice.ours);
		const one = added.get(key) ?? {
			id: newId('ingredients', key),
			...plainOf(name, choice.asNew)
		};
		added.set(key, one);
		return materialHere({ is: 'ingredient', id: one.id });
	};
	const materialOf = ({ of, is }: FileMaterial, usedIn: string): Material | null => {
		const key = nameKey(of);
		const there = here.get(`preparations ${key}`) ?? ourIds.preparations.get(key);
		return is === 'preparation' && there !== undefined
			? materialHere({ is, id: there })
			: byName(of, usedIn);
	};
	const withMaterials = <T extends FileMaterial>(lines: readonly T[], usedIn: string) =>
		lines.flatMap(({ of, is, ...line }) => {
			const material = materialOf({ of, is }, usedIn);
			return material ? [{ ...line, material }] : [];
		});
	const comes = (of: Brought, key: string): string | null => {
		const thing = things.find((one) => one.of === of && one.key === key);
		if (thing?.becomes.kind === 'new') return thing.becomes.as;
		if (thing?.becomes.kind !== 'clash') return null;
		const { chosen } = thing.becomes;
		return typeof chosen === 'object' ? chosen.as : null;
	};
	const idHere = (of: Brought, key: string) => here.get(`${of} ${key}`) ?? '';

	const preparations = [...theirs.preparations].flatMap(([key, { kind, lines, ...one }]) => {
		const name = comes('preparations', key);
		if (name === null) return [];
		return [
			{
				...one,
				preparationId: id<PreparationId>(idHere('preparations', key)),
				name,
				preparationKind: kind,
				lines: withMaterials(lines, one.name)
			}
		];
	});
	const formulas = [...theirs.formulas].flatMap(([key, { lines, ...one }]) => {
		const name = comes('formulas', key);
		if (name === null) return [];
		return [
			{
				...one,
				formulaId: id<FormulaId>(idHere('formulas', key)),
				name,
				lines: withMaterials(lines, one.name)
			}
		];
	});
	const products = [...theirs.products].flatMap(([key, { doughs, extras, ...one }]) => {
		const name = comes('products', key);
		const found = doughs.flatMap(({ formula, scaledGrams }) => {
			const there =
				here.get(`formulas ${nameKey(formula)}`) ?? ourIds.formulas.get(nameKey(formula));
			return there === undefined ? [] : [{ formulaId: id<FormulaId>(there), scaledGrams }];
		});
		if (name === null) return [];
		return [
			{
				...one,
				productId: id<BringIn['products'][number]['productId']>(idHere('products', key)),
				name,
				doughs: found,
				extras: withMaterials(extras, one.name)
			}
		];
	});
	const ingredients = [
		...[...theirs.ingredients].flatMap(([key, one]) =>
			comes('ingredients', key) === null ? [] : [{ ...one, id: idHere('ingredients', key) }]
		),
		...added.values()
	].map(({ id: ingredientIdHere, kind, ...one }) => ({
		...one,
		ingredientId: id<IngredientId>(ingredientIdHere),
		ingredientKind: kind,
		pricePerKilogram: null
	}));
	// Looked at last: what it is in stands where the lines were taken.
	for (const { name, usedIn } of asked) byName(name, usedIn);
	const nothing =
		ingredients.length + preparations.length + formulas.length + products.length === 0;
	return {
		things,
		unknown: [...unknown.values()],
		content:
			unknown.size > 0 || nothing
				? null
				: {
						ingredients,
						preparations,
						formulas,
						products,
						// By its key: what was matched stands in the file as ours already.
						matches: [...names].flatMap(([key, choice]) =>
							'ours' in choice ? [{ name: key, material: materialHere(choice.ours) }] : []
						)
					}
	};
}

function materialHere({ is, id: of }: OurMaterial): Material {
	return is === 'ingredient'
		? { kind: 'ingredient', ingredientId: id<IngredientId>(of) }
		: { kind: 'preparation', preparationId: id<PreparationId>(of) };
}

function plainOf(name: string, kind: IngredientKind): FileIngredient {
	return {
		name,
		kind,
		...usualOf(kind),
		allergens: [],
		density: kind === 'water' ? 1 : null,
		purityShare: 1,
		rolling: null
	};
}

/** A name that nobody of its kind has yet. */
function freeName(name: string, taken: ReadonlySet<string> | undefined): string {
	let number = 2;
	while (taken?.has(nameKey(`${name} ${number}`))) number += 1;
	return `${name} ${number}`;
}

type ByKey<T> = ReadonlyMap<string, T>;

function byKeys(file: BookFile): {
	readonly ingredients: ByKey<BookFile['ingredients'][number]>;
	readonly preparations: ByKey<BookFile['preparations'][number]>;
	readonly formulas: ByKey<BookFile['formulas'][number]>;
	readonly products: ByKey<BookFile['products'][number]>;
} {
	const keyed = <T extends { readonly name: string }>(all: readonly T[]) =>
		new Map(all.map((one) => [nameKey(one.name), one]));
	return {
		ingredients: keyed(file.ingredients),
		preparations: keyed(file.preparations),
		formulas: keyed(file.formulas),
		products: keyed(file.products)
	};
}

function idsByKey(ours: OurBook): Record<Brought, ByKey<string>> {
	const keyed = (all: OurBook['ids'][Brought]) =>
		new Map(all.map(({ id: of, name }) => [nameKey(name), of]));
	return {
		ingredients: keyed(ours.ids.ingredients),
		preparations: keyed(ours.ids.preparations),
		formulas: keyed(ours.ids.formulas),
		products: keyed(ours.ids.products)
	};
}

/** What is compared of two preparations: shares, since parts may be of any scale. */
function preparationFace(one: BookFile['preparations'][number], linesAlone: boolean): unknown {
	const total = one.lines.reduce((sum, { parts }) => sum + parts, 0);
	const lines = one.lines.map(({ of, is, parts }) => [nameKey(of), is, rounded(parts / total)]);
	return linesAlone ? lines : [lines, { ...one, name: '', lines: [], steps: facesOf(one.steps) }];
}

function formulaFace(one: BookFile['formulas'][number], linesAlone: boolean): unknown {
	const lines = one.lines.map(({ of, is, percentOfFlour, addition }) => [
		nameKey(of),
		is,
		rounded(percentOfFlour / 100),
		addition
	]);
	return linesAlone ? lines : [lines, { ...one, name: '', lines: [], steps: facesOf(one.steps) }];
}

function productFace(one: BookFile['products'][number], linesAlone: boolean): unknown {
	const { doughs, extras, bakedGrams, bakeLossShare, sparesShare, shape } = one;
	return linesAlone
		? { doughs, extras, bakedGrams, bakeLossShare, sparesShare, shape }
		: { ...one, name: '', steps: facesOf(one.steps) };
}

/** A room is as warm as the bakery's own: that is no difference between two steps. */
function facesOf(steps: readonly Step[]): unknown {
	return steps.map((step) =>
		step.kind === 'wait'
			? {
					...step,
					legs: step.legs.map((leg) =>
						leg.place === 'room' ? { ...leg, named: null, ambientCelsius: 0 } : leg
					)
				}
			: step
	);
}

/** A value as one text, whatever the order of its fields. */
function asText(value: unknown): string {
	return JSON.stringify(value, (_, one: unknown) =>
		typeof one === 'object' && one !== null && !Array.isArray(one)
			? Object.fromEntries(Object.entries(one).sort(([a], [b]) => (a < b ? -1 : 1)))
			: one
	);
}

function rounded(share: number): number {
	return Math.round(share * 1e5) / 1e5;
}
