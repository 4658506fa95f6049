/** Heat capacities in kJ/(kg K) and the latent heat of ice in kJ/kg, each with its source key. */
export const WATER_HEAT_CAPACITY = 4.186; // tabulated
export const FLOUR_HEAT_CAPACITY = 1.76; // at 14 % moisture, tabulated; our choice over choi-okos-1986 (2.0)
export const SALT_HEAT_CAPACITY = 0.88; // tabulated
export const SUGAR_HEAT_CAPACITY = 1.25; // tabulated
export const OIL_HEAT_CAPACITY = 1.97; // tabulated
export const MILK_HEAT_CAPACITY = 3.93; // tabulated
export const ICE_HEAT_CAPACITY = 2.09; // tabulated
export const ICE_LATENT_HEAT = 333.55; // tabulated
