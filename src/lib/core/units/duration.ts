/** A physical length of time in minutes; it is the same on the night the clocks change. */
export interface Duration {
	readonly minutes: number;
}

export function minutes(value: number): Duration {
	return { minutes: value };
}

export function hours(value: number): Duration {
	return { minutes: value * 60 };
}
