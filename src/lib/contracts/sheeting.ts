import { z } from 'zod';
import { TRIM_GOES, type SheetOfProduct } from '../core/sheeting/index.ts';
import { SHEET_LIMITS } from './sheet-limits.ts';

const within = ({ least, most }: { readonly least: number; readonly most: number }) =>
	z.number().min(least).max(most);
const side = within(SHEET_LIMITS.sideCm);

const cut = z.discriminatedUnion('kind', [
	z.object({
		kind: z.literal('triangles'),
		baseCm: side,
		heightCm: side,
		halvesJoined: z.boolean()
	}),
	z.object({ kind: z.literal('rectangles'), alongCm: side, acrossCm: side }),
	z.object({ kind: z.literal('strips'), widthCm: side, lengthCm: side }),
	z.object({ kind: z.literal('rounds'), diameterCm: side }),
	z.object({ kind: z.literal('slices'), thicknessCm: side, rolledCm: side })
]);

/** How a product is rolled out and cut, as it is saved. */
export const sheetSchema: z.ZodType<SheetOfProduct> = z.object({
	cut,
	edgeCm: within(SHEET_LIMITS.edgeCm),
	mostWidthCm: within(SHEET_LIMITS.mostWidthCm),
	mostLengthCm: within(SHEET_LIMITS.mostLengthCm),
	gramsPerCubicCm: within(SHEET_LIMITS.gramsPerCubicCm).nullable(),
	filledFirst: z.boolean(),
	trimGoes: z.enum(TRIM_GOES)
});
