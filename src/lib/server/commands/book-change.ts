import type { Refusal, RefusalOf } from '../../contracts/refusals.ts';
import {
	followersOf,
	impossibleAfter,
	innerFirst,
	takesFrom,
	type Formula,
	type Impossible,
	type Ingredient,
	type Pantry,
	type Preparation,
	type Step
} from '../../core/formula/index.ts';
import type { FormulaId, PreparationId } from '../../core/identity.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Actor } from '../auth/actor.ts';
import type { Tx } from '../db/client.ts';
import { pinsOf, type FormulaBook } from '../db/formula-book.ts';
import {
	insertFormulaRevision,
	nameFormula,
	type FormulaContents,
	type FormulaRevision
} from '../db/formulas.ts';
import { insertIngredientRevision, nameIngredient } from '../db/ingredients.ts';
import { insertPreparationRevision, namePreparation } from '../db/preparations.ts';
import { insertProductRevision } from '../db/products.ts';
import type { RevisionCause } from '../db/tables.ts';

/** What somebody changed of the book. */
export interface BookChange {
	readonly ingredient: {
		readonly ingredient: Ingredient;
		readonly weighingScaleId: string | null;
	} | null;
	readonly preparations: readonly {
		readonly preparation: Preparation;
		readonly steps: readonly Step[];
	}[];
	readonly formula: FormulaContents | null;
}

/** The book as a change would have it, with the formulas that follow it. */
export interface ChangedBook {
	readonly pantry: Pantry;
	readonly followers: readonly Formula[];
}

/** Works a change out; refuses what could be made before and could not any more. */
export function changedBook(
	book: FormulaBook,
	change: BookChange
): Result<ChangedBook, RefusalOf<'formula-impossible'>> {
	const { ingredient, preparations, formula } = change;
	const pantry: Pantry = {
		...book.pantry,
		ingredients: ingredient
			? new Map(book.pantry.ingredients).set(ingredient.ingredient.id, ingredient.ingredient)
			: book.pantry.ingredients,
		preparations: new Map([
			...book.pantry.preparations,
			...preparations.map(
				(preparation) => [preparation.preparation.id, preparation.preparation] as const
			)
		])
	};
	const formulas = book.formulas.map((revision) => revision.formula);
	const others = formulas.filter((other) => other.id !== formula?.formula.id);
	const refused = ({ name, reason }: Impossible) =>
		fail({ kind: 'formula-impossible', formula: name, reason } as const);
	const followers = followersOf(others, book.pantry, pantry);
	if (!followers.ok) return refused(followers.error);
	const changed = [...(formula ? [formula.formula] : []), ...followers.value];
	const impossible = impossibleAfter(formulas, changed, book.pantry, pantry);
	return impossible ? refused(impossible) : ok({ pantry, followers: followers.value });
}

/**
 * Writes a change with a revision of each thing it touches, and one of everything that takes from it, so that
 * the newest revisions of the book name the newest. Gives the number of the formula's revision, if it has one.
 */
export async function writeChange(
	tx: Tx,
	book: FormulaBook,
	change: BookChange,
	{ followers }: ChangedBook,
	by: { readonly actor: Actor; readonly occurredAtMs: number }
): Promise<number> {
	const writer = new ChangeWriter(tx, book, { madeBy: by.actor.id, occurredAtMs: by.occurredAtMs });
	if (change.ingredient) await writer.ingredient(change.ingredient);
	for (const { preparation } of change.preparations) await writer.name(preparation);
	await writer.preparations(change.preparations);
	const number = change.formula ? await writer.formula(change.formula, 'edited') : 0;
	await writer.followingFormulas(change.formula?.formula.id ?? null, followers);
	await writer.followingProducts();
	return number;
}

class ChangeWriter {
	/** What stands at a new revision. */
	private readonly changed = new Set<string>();
	private readonly ingredients: Map<Ingredient['id'], string>;
	private readonly preparationPins: Map<PreparationId, string>;

	constructor(
		private readonly tx: Tx,
		private readonly book: FormulaBook,
		private readonly by: { readonly madeBy: string; readonly occurredAtMs: number }
	) {
		const pins = pinsOf(book);
		this.ingredients = new Map(pins.ingredients);
		this.preparationPins = new Map(pins.preparations);
	}

	private get pins() {
		return { ingredients: this.ingredients, preparations: this.preparationPins };
	}

	async ingredient({ ingredient, weighingScaleId }: NonNullable<BookChange['ingredient']>) {
		const before = this.book.ingredients.find((other) => other.ingredient.id === ingredient.id);
		await nameIngredient(this.tx, ingredient);
		const revision = await insertIngredientRevision(this.tx, ingredient, {
			number: (before?.number ?? 0) + 1,
			weighingScaleId,
			...this.by
		});
		this.ingredients.set(ingredient.id, revision);
		this.changed.add(ingredient.id);
	}

	async name({ id, name }: Preparation) {
		if (this.book.preparations.get(id)?.preparation.name !== name)
			await namePreparation(this.tx, id, name);
	}

	/** Edited ones and those that follow, each after what it takes from. */
	async preparations(edited: BookChange['preparations']) {
		const byId = new Map(edited.map((edited) => [edited.preparation.id, edited]));
		const all = new Map(this.book.pantry.preparations);
		for (const { preparation } of edited) all.set(preparation.id, preparation);
		for (const preparation of innerFirst([...all.values()])) {
			const before = this.book.preparations.get(preparation.id);
			const own = byId.get(preparation.id);
			if (!own && !takesFrom(preparation.lines, this.changed)) continue;
			const revision = await insertPreparationRevision(
				this.tx,
				preparation,
				{
					number: (before?.number ?? 0) + 1,
					cause: own ? 'edited' : 'followed',
					steps: own?.steps ?? before?.steps ?? [],
					...this.by
				},
				this.pins
			);
			this.preparationPins.set(preparation.id, revision);
			this.changed.add(preparation.id);
		}
	}

	async formula(contents: FormulaContents, cause: RevisionCause): Promise<number> {
		const { formula } = contents;
		const before = this.book.formulas.find((revision) => revision.formula.id === formula.id);
		if (before?.formula.name !== formula.name) await nameFormula(this.tx, formula.id, formula.name);
		const number = (before?.number ?? 0) + 1;
		await insertFormulaRevision(this.tx, contents, { number, cause, ...this.by }, this.pins);
		return number;
	}

	/** Weights that moved are an edit like any other; where only the pins did, the dough stays as it was. */
	async followingFormulas(exceptId: FormulaId | null, followers: readonly Formula[]) {
		const moved = new Map(followers.map((follower) => [follower.id, follower]));
		for (const before of this.book.formulas) {
			const { formula } = before;
			if (formula.id === exceptId) continue;
			const next = moved.get(formula.id);
			if (next) await this.formula({ ...before, formula: next }, sameLines(next, before));
			else if (takesFrom(formula.lines, this.changed)) await this.formula(before, 'followed');
		}
	}

	async followingProducts() {
		for (const before of this.book.products)
			if (takesFrom(before.product.extras, this.changed))
				await insertProductRevision(
					this.tx,
					before,
					{ number: before.number + 1, cause: 'followed', ...this.by },
					this.pins
				);
	}
}

function sameLines({ lines }: Formula, { formula }: FormulaRevision): RevisionCause {
	return JSON.stringify(lines) === JSON.stringify(formula.lines) ? 'followed' : 'edited';
}

/** A save that somebody else's edit stands in the way of; what only follows does not. */
export function newerRevision(
	there:
		{ readonly editedNumber: number; readonly number: number; readonly by: string } | undefined,
	expected: number,
	name: string
): Extract<Refusal, { kind: 'newer-revision' }> | null {
	if (!there || (expected >= there.editedNumber && expected <= there.number)) return null;
	return { kind: 'newer-revision', name, revision: there.editedNumber, by: there.by };
}
