import { normalFrom, type Chance } from '../../core/chance.ts';

/** What can be wrong with simulated sensors; each can be switched on by itself. */
export interface Faults {
	/** Spread of a single reading, in kelvins. */
	readonly noiseKelvins: number;
	/** How far a sensor wanders off in a day, in kelvins. */
	readonly driftKelvinsPerDay: number;
	/** The share of readings that are never sent, 0 to 1. */
	readonly dropOuts: number;
	/** Sensors, by name, that say for ever what they said first. */
	readonly stuck: readonly string[];
}

/** A good sensor: a few hundredths of noise and nothing else. */
export const GOOD: Faults = { noiseKelvins: 0.04, driftKelvinsPerDay: 0, dropOuts: 0, stuck: [] };

/** A sensor shows tenths. */
const STEP = 0.1;

/** Turns what is true into what a sensor says; null where its reading drops out. */
export class FaultySensor {
	#first: number | null = null;
	#startedMs: number | null = null;

	constructor(
		private readonly name: string,
		private readonly faults: Faults,
		private readonly chance: Chance
	) {}

	read(trueCelsius: number, epochMs: number): number | null {
		this.#startedMs ??= epochMs;
		const { noiseKelvins, driftKelvinsPerDay, dropOuts, stuck } = this.faults;
		const days = (epochMs - this.#startedMs) / 86_400_000;
		const said = trueCelsius + driftKelvinsPerDay * days + noiseKelvins * normalFrom(this.chance);
		const shown = Math.round(said / STEP) / (1 / STEP);
		this.#first ??= shown;
		if (this.chance() < dropOuts) return null;
		return stuck.includes(this.name) ? this.#first : shown;
	}
}
