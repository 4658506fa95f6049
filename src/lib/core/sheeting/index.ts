export {
	areaOfPiece,
	CUT_KINDS,
	densityOfWeighed,
	sheetDensity,
	thicknessOf,
	TRIM_GOES,
	USUAL_SHEET_GRAMS_PER_CUBIC_CM,
	weightAt,
	type CutKind,
	type SheetCut,
	type SheetOfProduct,
	type TrimGoes
} from './cut.ts';
export {
	layOut,
	MOST_SHEETS,
	sheetShare,
	type FlatSize,
	type SheetFailure,
	type SheetLayout
} from './lay-out.ts';
export { outlinesOf, type Outline, type Point } from './outlines.ts';
export {
	PLATE_EDGE_CM,
	turnSizes,
	USUAL_FAT_GRAMS_PER_CUBIC_CM,
	USUAL_LOCK_IN_MILLIMETRES,
	USUAL_TURN_MILLIMETRES,
	type BlockToTurn,
	type TurnAsked,
	type TurnSize
} from './turn-sizes.ts';
export { percentForShare, proofTooWarm, rolledInOf, turnsOf, type RolledIn } from './rolled-in.ts';
export { sheetWork, type SheetAsked, type SheetWork } from './sheet-work.ts';
