import type {
	CutKind,
	FlatSize,
	RolledIn,
	SheetCut,
	SheetFailure,
	SheetLayout,
	TrimGoes
} from '../core/sheeting/index.ts';
import {
	formatMass,
	formatNumber,
	formatTemperature,
	type UnitChoice
} from '../core/units/index.ts';

export const CUT_TEXT: Readonly<Record<CutKind, string>> = {
	triangles: 'Triangles',
	rectangles: 'Rectangles',
	strips: 'Strips',
	rounds: 'Rounds',
	slices: 'Slices of a rolled-up sheet'
};

export const TRIM_TEXT: Readonly<Record<TrimGoes, string>> = {
	'thrown-away': 'is thrown away',
	'next-dough': 'goes into the next dough',
	'other-pieces': 'becomes other pieces'
};

/** A length without the zeros that say nothing. */
export function lengthText(cm: number, decimals = 1): string {
	return formatNumber(cm, decimals).replace(/\.0+$/, '');
}

/** The sides of one piece. */
export function cutText(cut: SheetCut): string {
	switch (cut.kind) {
		case 'triangles':
			return `triangles of ${lengthText(cut.baseCm)} × ${lengthText(cut.heightCm)} cm`;
		case 'rectangles':
			return `pieces of ${lengthText(cut.alongCm)} × ${lengthText(cut.acrossCm)} cm`;
		case 'strips':
			return `strips of ${lengthText(cut.widthCm)} × ${lengthText(cut.lengthCm)} cm`;
		case 'rounds':
			return `rounds of ${lengthText(cut.diameterCm)} cm`;
		case 'slices':
			return `slices of ${lengthText(cut.thicknessCm)} cm, rolled up over ${lengthText(cut.rolledCm)} cm`;
	}
}

/** A block at the table: nobody rolls to the tenth of a centimetre. */
export function flatText({ lengthCm, widthCm, thicknessMm }: FlatSize): string {
	return `${lengthText(lengthCm, 0)} × ${lengthText(widthCm, 0)} cm, ${lengthText(thicknessMm, thicknessMm < 10 ? 1 : 0)} mm`;
}

/** What to roll, in a sentence that is read at the table. */
export function sheetSentence(layout: SheetLayout): string {
	const { sheets, size, each } = layout;
	const rows = layout.rows === 1 ? 'in one row' : `in ${layout.rows} rows`;
	return `${sheets === 1 ? 'One sheet' : `${sheets} sheets, each`} ${lengthText(size.lengthCm)} × ${lengthText(size.widthCm)} cm at ${lengthText(size.thicknessMm)} mm: ${each} pieces ${rows}${sheets === 1 ? '' : ' from each'}.`;
}

/** What the sheets leave beside the pieces that were asked for. */
export function leftText(layout: SheetLayout, trimGoes: TrimGoes, units: UnitChoice): string {
	const trim = layout.trim.grams * layout.sheets;
	const over =
		layout.over === 0
			? 'No piece is over'
			: layout.over === 1
				? 'One piece is over'
				: `${layout.over} pieces are over`;
	if (trim < 0.5) return `${over}, and nothing is cut off.`;
	const share = (layout.trim.grams / layout.sheet.grams) * 100;
	return `${over}; ${formatMass({ grams: trim }, 0, units)} of trim (${formatNumber(share, 0)} %) ${TRIM_TEXT[trimGoes]}.`;
}

export function sheetFailureText(failure: SheetFailure): string {
	if (failure.kind === 'too-many-sheets')
		return `That would be ${failure.sheets} sheets, more than ${failure.most}. Look at the count and the sides.`;
	const way = failure.way === 'across' ? 'wide' : 'long';
	return `One piece with its edges is ${lengthText(failure.needsCm)} cm ${way}, and a sheet is ${lengthText(failure.mostCm)} cm at most. Make it smaller, or the sheet larger.`;
}

/** How warm the fat is to be, and what it does otherwise. */
export function rollingText({ rolling, names }: RolledIn, units: UnitChoice): string | null {
	if (!rolling) return null;
	const at = (celsius: number) => formatTemperature({ celsius }, 0, units);
	return `${names.join(' and ')}: rolls out between ${at(rolling.fromCelsius)} and ${at(rolling.toCelsius)}. Colder it breaks, warmer it smears; at ${at(rolling.meltsAtCelsius)} it runs out of the layers.`;
}

export function tooWarmText(
	proofCelsius: number,
	meltsAtCelsius: number,
	units: UnitChoice
): string {
	const at = (celsius: number) => formatTemperature({ celsius }, 0, units);
	return `It proofs at ${at(proofCelsius)}, where its fat melts (${at(meltsAtCelsius)}). Proof it cooler.`;
}
