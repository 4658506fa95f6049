/** How a bakery finds its water; all three stand on one learned friction. */
export const WATER_SCHOOLS = ['factor-rule', 'base-temperature', 'heat-balance'] as const;
export type WaterSchool = (typeof WATER_SCHOOLS)[number];
