import type { Held } from '../../contracts/device-protocol.ts';
import { staysOf, type WorkState } from '../../core/bench/index.ts';
import type { PlaceId } from '../../core/identity.ts';
import type { BakeDayInput, DayPlan } from '../../core/planning/index.ts';

interface NightTapped {
	readonly plan: DayPlan;
	readonly input: BakeDayInput;
	readonly states: ReadonlyMap<string, WorkState>;
}

/** What was put into a place by a tap and not taken out again: what was moved there, or waits there from the work before on. */
export function loadsIn(
	night: NightTapped,
	placeId: PlaceId
): Extract<Held, { readonly kind: 'place' }>['loads'] {
	return staysOf(night, placeId).flatMap((stay) => {
		const into = night.states.get(stay.intoWork);
		if (into?.kind !== 'done') return [];
		const out = stay.outWorks.some((work) => {
			const kind = night.states.get(work)?.kind;
			return kind === 'begun' || kind === 'done';
		});
		if (out) return [];
		const { kilograms, celsius, timeConstantMinutes } = stay;
		return [{ inAtMs: into.toMs, kilograms, celsius, timeConstantMinutes }];
	});
}
