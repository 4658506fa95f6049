/**
 * A scheduling problem: tasks with modes, lags between them, pools of hands, places and counts, machines that do
 * one thing at a time and batch machines whose units take several portions together. It knows no trade.
 *
 * Every time is a whole number of units since the problem's own zero, every stretch is half-open [from, to), every
 * price a whole number. What a unit is (a minute, five minutes) is the caller's affair.
 */
export interface Problem {
	/** Everything happens within [0, horizon). */
	readonly horizon: number;
	/** Names of what the objective adds up, reported each by itself; the prices make one weigh more than another. */
	readonly tiers: readonly string[];
	readonly pools: readonly Pool[];
	readonly machines: readonly Machine[];
	readonly batchMachines: readonly BatchMachine[];
	readonly tasks: readonly Task[];
	readonly lags: readonly Lag[];
	readonly prices: readonly Price[];
	readonly spans: readonly Span[];
}

/** Interchangeable things of which so many are there: hands, places, tins. A named person is a pool of one. */
export interface Pool {
	readonly id: string;
	/** How many are there when; stretches add up, and where none stands there is none (a break, the night). */
	readonly there: readonly Stretch[];
}

export interface Stretch {
	readonly from: number;
	readonly to: number;
	readonly amount: number;
}

/** A machine that does one task at a time. */
export interface Machine {
	readonly id: string;
	/** The sizes it takes. */
	readonly least: number;
	readonly most: number;
	/** When it cannot be used. */
	readonly closed: readonly { readonly from: number; readonly to: number }[];
	/** Time needed between a task of one family and the next of another, where it is more than none. */
	readonly changeovers: readonly {
		readonly before: string;
		readonly after: string;
		readonly length: number;
	}[];
}

/** A machine with units (decks) that each process a load of portions, started together. */
export interface BatchMachine {
	readonly id: string;
	readonly units: readonly BatchUnit[];
	/** True where all units have one level (temperature): loads apart by more than the tolerance cannot overlap. */
	readonly shared: boolean;
	/** Levels this close to one another are one level. */
	readonly tolerance: number;
	/** Time to go up and down by `step` of level, rounded up for the whole way. */
	readonly rise: number;
	readonly fall: number;
	readonly step: number;
	/** The least time between two loads of a unit; a unit may want more of its own. */
	readonly recovery: number;
	/** The load lasts loading + its longest portion + unloading. */
	readonly loading: number;
	readonly unloading: number;
	/** What a load needs, once, however many portions it has. */
	readonly attended: readonly LoadDemand[];
	/** On before the first load. */
	readonly preheat: number;
	/** Price of a unit of time from the first load's start, less preheat, to the last load's end; and where it counts. */
	readonly onPrice: number;
	readonly tier: number;
	/** When units are taken by what is no part of the problem, and at which levels; left out where never. */
	readonly taken?: readonly TakenUnit[];
}

export interface BatchUnit {
	readonly id: string;
	readonly capacity: number;
	/** The least time between two of its loads, where that is more than the machine's. */
	readonly recovery?: number;
}

export interface TakenUnit {
	readonly unit: string;
	readonly from: number;
	readonly to: number;
	/** The level it begins at, and that it leaves the machine at. */
	readonly level: number;
	readonly leaves: number;
}

export interface Demand {
	/** Any of these gives the amount; each piece of it comes from one pool for the whole time. */
	readonly pools: readonly string[];
	readonly amount: number;
	/** The time it is needed, from the task's start on; before it where negative. */
	readonly from: number;
	readonly to: number;
}

export interface LoadDemand extends Demand {
	/** What `from` and `to` count from: the start or the end of the load. */
	readonly of: 'start' | 'end';
}

export interface Task {
	readonly id: string;
	/** What it belongs to, for those who read about it and to explain with: a chain, an order. */
	readonly group: string;
	/** The ways to do it, one of which is taken. */
	readonly modes: readonly Mode[];
	/** The first and the last unit at which it can start. */
	readonly earliest: number | null;
	readonly latest: number | null;
	/** What is decided already: it happened, or the planner's user wants it so. */
	readonly pin: Pin | null;
}

export interface Pin {
	readonly start: number | null;
	readonly mode: string | null;
	/** The batch machine's unit. */
	readonly unit: string | null;
}

export interface Mode {
	readonly id: string;
	/** How long it takes; null for a portion of a batch machine, which stays as long as its load. */
	readonly length: number | null;
	readonly demands: readonly Demand[];
	readonly machine: {
		readonly id: string;
		readonly size: number;
		readonly family: string;
	} | null;
	readonly batch: Portion | null;
	/** What it costs to do it this way; left out where nothing. */
	readonly price?: { readonly amount: number; readonly tier: number };
}

/** What a batch machine must know of a portion. */
export interface Portion {
	readonly machines: readonly string[];
	/** Units of these machines that it cannot go on; left out where there are none. */
	readonly notOn?: readonly string[];
	/** How much of a unit's capacity it takes. */
	readonly size: number;
	/** Only portions of one kind share a load. */
	readonly kind: string;
	readonly level: number;
	/** The level it leaves the machine at; its own where left out. */
	readonly leaves?: number;
	/** How long it is processed, and how much longer or shorter the others of its load may be. */
	readonly length: number;
	readonly lengthTolerance: number;
}

/** The level a portion leaves its machine at. */
export function leavesOf({ level, leaves }: Pick<Portion, 'level' | 'leaves'>): number {
	return leaves ?? level;
}

/** The time from the start or end of one task to the start of another. */
export interface Lag {
	readonly id: string;
	readonly before: string;
	readonly after: string;
	readonly from: 'start' | 'end';
	/** The window, by the modes of both; the first that fits counts, null forbids the two together. */
	readonly windows: readonly {
		readonly beforeMode: string | null;
		readonly afterMode: string | null;
		readonly window: Window | null;
	}[];
}

export interface Window {
	readonly least: number;
	/** Null where there is none. */
	readonly most: number | null;
	/** The lag that costs nothing; null where all within least and most do. */
	readonly wish: number | null;
	/** Price of each unit off the wish. */
	readonly price: number;
	/** Price of each unit below least and above most; null where that is forbidden. */
	readonly outside: number | null;
	/** True where only the most may be overstayed at that price, and nothing comes sooner than the least. */
	readonly firmLeast?: boolean;
	readonly tier: number;
	/** What is held from the lag's beginning to its end: a place, a tin, a bowl. */
	readonly holds: readonly { readonly pool: string; readonly amount: number }[];
}

/** Price of a start or an end away from a point in time. */
export interface Price {
	readonly id: string;
	readonly task: string;
	readonly of: 'start' | 'end';
	readonly at: number;
	/** For each unit before and after it. */
	readonly early: number;
	readonly late: number;
	/** Once, when it is not exactly there. */
	readonly away: number;
	readonly tier: number;
}

/** Price of how long a group of tasks stretches over. */
export interface Span {
	readonly id: string;
	readonly tasks: readonly string[];
	/** Tasks that start before this do not count; null where all count. */
	readonly floor: number | null;
	/** Measured from the first start to here; null for to the last end of those that count. */
	readonly until: number | null;
	readonly price: number;
	readonly tier: number;
}
