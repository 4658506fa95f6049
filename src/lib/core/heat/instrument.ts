/** What a dough or a pre-ferment is measured with. */
export const DOUGH_INSTRUMENTS = ['typed', 'core-probe', 'surface-thermometer'] as const;
export type DoughInstrument = (typeof DOUGH_INSTRUMENTS)[number];

/**
 * How well each tells the core of a dough, as a standard deviation in kelvins (our defaults): what somebody
 * typed may be rounded to half a degree, a surface is not the core.
 */
export const THERMOMETER_KELVINS: Readonly<Record<DoughInstrument, number>> = {
	typed: 0.35,
	'core-probe': 0.25,
	'surface-thermometer': 1
};
