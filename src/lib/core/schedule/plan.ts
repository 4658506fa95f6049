/** Where everything stands: what a search gives and `checkPlan` judges. Plain data. */
export interface Plan {
	readonly placed: readonly Placed[];
	readonly loads: readonly PlannedLoad[];
	/** Tasks that found no place. */
	readonly missing: readonly string[];
}

export interface Placed {
	readonly task: string;
	readonly mode: string;
	readonly start: number;
	readonly end: number;
	/** The batch machine's unit; null for what needs none. */
	readonly unit: string | null;
	/** By the mode's demands, the pools that give: one name for each piece. */
	readonly given: readonly (readonly string[])[];
}

export interface PlannedLoad {
	readonly unit: string;
	readonly start: number;
	readonly end: number;
	readonly tasks: readonly string[];
	/** By the machine's attended demands, the pools that give. */
	readonly given: readonly (readonly string[])[];
}

/** What a plan costs: in all, and what each tier of the objective adds, in the problem's order. */
export interface Cost {
	readonly total: number;
	readonly tiers: readonly number[];
}
