import type { Build, Mix, WeighUpLine } from '../core/production/index.ts';
import { allergensOf, isPerishable } from '../core/formula/index.ts';
import { bathUseText } from '../wording/bath-text.ts';
import {
	CAUSTIC_CAUTION,
	PERISHABLE_CAUTION,
	PREPARATION_KIND_TEXT
} from '../wording/kind-text.ts';

/** One printed card: what to weigh into one tub or bowl. */
export interface WeighUpCard {
	readonly key: string;
	readonly name: string;
	readonly mix: { readonly ordinal: number; readonly count: number } | null;
	readonly grams: number;
	readonly makes: string;
	readonly lines: readonly WeighUpLine[];
	readonly allergens: readonly string[];
	/** Beyond what every card says; null for most. */
	readonly caution: string | null;
}

export function cardOfBuild(build: Build): WeighUpCard {
	const caustic = build.stage.lines.some((line) => line.ingredient.kind === 'caustic');
	const perishable = build.preparation.kind === 'build' && isPerishable(build.stage);
	return {
		key: `${build.preparation.id} ${build.ordinal}`,
		name:
			build.ordinal > 1 ? `${build.preparation.name}, ${build.ordinal}` : build.preparation.name,
		mix: null,
		grams: build.gross.value,
		makes: [PREPARATION_KIND_TEXT[build.preparation.kind], bathUseText(build.preparation.bath)]
			.filter((text) => text !== '')
			.join(', '),
		lines: build.lines,
		allergens: allergensOf(build.stage),
		caution: caustic ? CAUSTIC_CAUTION : perishable ? PERISHABLE_CAUTION : null
	};
}

export function cardOfMix(mix: Mix, makes: string): WeighUpCard {
	const { formula, final } = mix.resolved;
	return {
		key: `${formula.id} ${mix.ordinal}`,
		name: formula.name,
		mix: { ordinal: mix.ordinal, count: mix.count },
		grams: mix.dough.value,
		makes,
		lines: mix.lines,
		allergens: allergensOf(final),
		caution: null
	};
}
