import type { OurBook } from '../../contracts/bring-in-views.ts';
import { nameKey } from '../name-key.ts';
import { BROUGHT, type Brought, type BroughtOne, type Choices, type NewId } from './brought.ts';
import { fileByKeys, idsByKey, type FileByKeys } from './by-keys.ts';
import { StandsAsItIs } from './stands-as-it-is.ts';

/**
 * What becomes of each thing of a file: what stands in our book as it is, is left; what has a name of ours and is another comes under a free
 * name, unless it was decided otherwise.
 */
export class SettledThings {
	readonly things: BroughtOne[] = [];
	private readonly ours: ReturnType<typeof idsByKey>;
	/** What each thing of the file is here: the id it has, or will have. */
	private readonly here = new Map<string, string>();
	private readonly taken: ReadonlyMap<Brought, Set<string>>;

	constructor(
		theirs: FileByKeys,
		ours: OurBook,
		private readonly clashes: Choices['clashes'],
		private readonly newId: NewId,
		linesAlone: boolean
	) {
		this.ours = idsByKey(ours);
		this.taken = new Map(BROUGHT.map((of) => [of, new Set(this.ours[of].keys())]));
		const stands = new StandsAsItIs(fileByKeys(ours.file), linesAlone);
		// An ingredient of ours is ours, whatever a file says of it: a bakery knows its own flour.
		for (const [key, { name }] of theirs.ingredients) this.settle('ingredients', key, name, true);
		for (const [key, one] of theirs.preparations)
			this.settle('preparations', key, one.name, stands.preparation(key, one));
		for (const [key, one] of theirs.formulas)
			this.settle('formulas', key, one.name, stands.formula(key, one));
		for (const [key, one] of theirs.products) {
			const hasDoughs = one.doughs.every(
				({ formula }) => this.idOf('formulas', nameKey(formula)) !== undefined
			);
			if (hasDoughs) this.settle('products', key, one.name, stands.product(key, one));
			else
				this.things.push({
					of: 'products',
					key,
					name: one.name,
					becomes: { kind: 'without-dough' }
				});
		}
	}

	/** The id of something that is brought, or is ours; undefined where it is neither. */
	idOf(of: Brought, key: string): string | undefined {
		return this.here.get(`${of} ${key}`) ?? this.ours[of].get(key);
	}

	/** The name under which something comes; null where it does not. */
	nameOf(of: Brought, key: string): string | null {
		const becomes = this.things.find((one) => one.of === of && one.key === key)?.becomes;
		if (becomes?.kind === 'new') return becomes.as;
		if (becomes?.kind !== 'clash') return null;
		return typeof becomes.chosen === 'object' ? becomes.chosen.as : null;
	}

	private settle(of: Brought, key: string, name: string, stands: boolean): void {
		const own = this.ours[of].get(key);
		const settled = (becomes: BroughtOne['becomes'], idHere: string) => {
			this.things.push({ of, key, name, becomes });
			this.here.set(`${of} ${key}`, idHere);
		};
		if (own === undefined) {
			this.taken.get(of)?.add(key);
			return settled({ kind: 'new', as: name }, this.newId(of, key));
		}
		if (stands) return settled({ kind: 'stands' }, own);
		const chosen = this.clashes.get(`${of} ${key}`) ?? { as: this.freeName(of, name) };
		if (typeof chosen === 'object') this.taken.get(of)?.add(nameKey(chosen.as));
		settled({ kind: 'clash', chosen }, chosen === 'ours' ? own : this.newId(of, key));
	}

	/** A name that nobody of its kind has yet. */
	private freeName(of: Brought, name: string): string {
		const taken = this.taken.get(of);
		let number = 2;
		while (taken?.has(nameKey(`${name} ${number}`))) number += 1;
		return `${name} ${number}`;
	}
}
