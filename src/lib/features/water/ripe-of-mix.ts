import type { MixWaterView } from '../../contracts/water-views.ts';
import { doughCard, doughStory } from '../../core/ripening/index.ts';

/** When a measured dough is ripe if it stays in the places of its chain; null where that is not known. */
export function ripeOfMix(
	mix: MixWaterView,
	roomCelsius: number | null,
	nowMs: number
): number | null {
	const { measured, bulk } = mix;
	const clock = bulk?.step.clock;
	if (!measured || !bulk || !clock) return null;
	const story = doughStory({
		step: { ...bulk.step, clock },
		clockFactor: mix.clockFactor,
		startMs: measured.occurredAtMs,
		startCelsius: measured.celsius,
		events: [],
		air:
			roomCelsius === null
				? {}
				: { room: [{ fromMs: measured.occurredAtMs, celsius: roomCelsius }] },
		nowMs
	});
	return doughCard(story).marks.ripe;
}
