/** A baker's percentage: the base is the total flour of the formula unless the field's name says otherwise. */
export interface PercentOfFlour {
	readonly percentOfFlour: number;
}

/** A share of a whole between 0 and 1. */
export interface Share {
	readonly share: number;
}

export function percentOfFlour(value: number): PercentOfFlour {
	return { percentOfFlour: value };
}

export function share(value: number): Share {
	return { share: value };
}
