/** A scheduling problem in whole minutes since 1970. It knows tasks, links and machines, and no trade. */
export interface Problem {
	readonly tasks: readonly Task[];
	readonly links: readonly Link[];
	readonly deadlines: readonly Deadline[];
}

export interface Task {
	readonly id: string;
	readonly minutes: number;
	/** Starts fall on whole multiples of this many minutes. */
	readonly grid: number;
	/** The machines that can do it; empty when it needs none. */
	readonly machines: readonly string[];
	/** Where it stands, on the grid or not, since it happened already; null while it can be placed. */
	readonly fixedStart: number | null;
}

/** The time between the end of one task and the start of another. */
export interface Link {
	readonly before: string;
	readonly after: string;
	readonly leastGap: number;
	/** A gap above this is a wish broken, told but not forbidden; null when any gap will do. */
	readonly mostGap: number | null;
	/** True when the later task is pulled forward to keep the most gap. */
	readonly pulls: boolean;
	/** True where a gap below the least is told rather than forbidden: what happened cannot be moved. */
	readonly soft: boolean;
}

export interface Deadline {
	readonly task: string;
	readonly endBy: number;
}

/** When each task starts, and which machine does it. */
export interface Placement {
	readonly starts: Readonly<Record<string, number>>;
	readonly machines: Readonly<Record<string, string>>;
}
