import type { WaterSchool } from '../core/heat/index.ts';

/** The schools of finding the water, by their names. */
export const SCHOOL_TEXT: Record<WaterSchool, string> = {
	'factor-rule': 'Factor rule',
	'base-temperature': 'Base temperature',
	'heat-balance': 'Heat balance'
};
