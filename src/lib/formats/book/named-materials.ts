import type { FileIngredient, FileMaterial } from '../../contracts/book-file.ts';
import type { OurBook, OurMaterial } from '../../contracts/bring-in-views.ts';
import type { IngredientKind, Material } from '../../core/formula/index.ts';
import { id, type IngredientId, type PreparationId } from '../../core/identity.ts';
import { usualOf } from '../../core/mixing/index.ts';
import { nameKey } from '../name-key.ts';
import type { Choices, NewId, UnknownName } from './brought.ts';
import type { SettledThings } from './settled-things.ts';

/** What the names in the lines of a file are here: what it brings, what is ours, or what somebody said that they are. */
export class NamedMaterials {
	/** Names that nobody knows, by key. */
	readonly unknown = new Map<string, UnknownName>();
	/** Ingredients that the file does not describe and that were decided to be new, by key. */
	readonly added = new Map<string, FileIngredient & { readonly id: string }>();
	/** What the same names were taken for before. */
	private readonly matched: ReadonlyMap<string, OurMaterial>;

	constructor(
		private readonly settled: SettledThings,
		matched: OurBook['matched'],
		private readonly names: Choices['names'],
		private readonly newId: NewId
	) {
		this.matched = new Map(matched.map((one) => [one.key, one]));
	}

	/** Lines with what they name as it is here; those whose name nobody knows are left out, and told as unknown. */
	linesOf<T extends FileMaterial>(lines: readonly T[], usedIn: string) {
		return lines.flatMap(({ of, is, ...line }) => {
			const material = this.materialOf({ of, is }, usedIn);
			return material ? [{ ...line, material }] : [];
		});
	}

	/** An ingredient by its name; null where nobody knows it. */
	byName(name: string, usedIn: string): Material | null {
		const key = nameKey(name);
		const known = this.settled.idOf('ingredients', key);
		if (known !== undefined) return materialHere({ is: 'ingredient', id: known });
		const choice = this.names.get(key);
		const before = this.matched.get(key);
		if (choice === undefined && before) return materialHere(before);
		if (choice === undefined) {
			if (!this.unknown.has(key)) this.unknown.set(key, { key, name, usedIn });
			return null;
		}
		if ('ours' in choice) return materialHere(choice.ours);
		const one = this.added.get(key) ?? {
			id: this.newId('ingredients', key),
			...plainOf(name, choice.asNew)
		};
		this.added.set(key, one);
		return materialHere({ is: 'ingredient', id: one.id });
	}

	private materialOf({ of, is }: FileMaterial, usedIn: string): Material | null {
		const there = this.settled.idOf('preparations', nameKey(of));
		return is === 'preparation' && there !== undefined
			? materialHere({ is, id: there })
			: this.byName(of, usedIn);
	}
}

/** One of ours, as a line has it. */
export function materialHere({ is, id: of }: OurMaterial): Material {
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
