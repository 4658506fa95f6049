import { flourOf, type ResolvedStage } from '../../core/formula/index.ts';

/** In what the sheet's numbers are read and typed. */
export type SheetUnit = 'total' | 'own' | 'final' | 'weight';

export const SHEET_UNITS: readonly { readonly value: SheetUnit; readonly label: string }[] = [
	{ value: 'total', label: '% of total flour' },
	{ value: 'own', label: "% of each stage's flour" },
	{ value: 'final', label: '% of final-dough flour' },
	{ value: 'weight', label: 'grams' }
];

/**
 * What one percent of total flour reads as in a unit, for one stage. Every view is the same sheet in
 * another measure, so that typing in any of them is one and the same edit.
 */
export function measureOf(
	unit: SheetUnit,
	stage: ResolvedStage,
	final: ResolvedStage,
	totalFlourGrams: number
): number {
	switch (unit) {
		case 'total':
			return 1;
		case 'weight':
			return totalFlourGrams / 100;
		case 'own': {
			const flour = flourOf(stage);
			return 100 / (flour > 0 ? flour : stage.percentOfFlour);
		}
		case 'final': {
			const added = final.lines.reduce(
				(total, line) => total + line.percentOfFlour * line.ingredient.composition.flour,
				0
			);
			return added > 0 ? 100 / added : 1;
		}
	}
}

const PLACE = 'jovet.formula.measure';

/** The measure the baker read in last; bakers of one school read all formulas the same way. */
export function readSheetUnit(): SheetUnit {
	try {
		const stored = localStorage.getItem(PLACE);
		return SHEET_UNITS.find((unit) => unit.value === stored)?.value ?? 'total';
	} catch {
		return 'total';
	}
}

export function keepSheetUnit(unit: SheetUnit): void {
	try {
		localStorage.setItem(PLACE, unit);
	} catch {
		// It then is chosen anew on the next page.
	}
}
