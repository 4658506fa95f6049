import type { Room } from '../../client/room-context.ts';
import {
	watchedDough,
	type RipeningDoughView,
	type RipeningView
} from '../../contracts/ripening-views.ts';
import {
	attentionTo,
	carriedDose,
	clockWithCarry,
	coldAir,
	doughCard,
	doughStory,
	legsInAir,
	watchDoughs,
	type Attention,
	type ColdAir,
	type DoughCard,
	type DoughStory,
	type WhatIf
} from '../../core/ripening/index.ts';
import {
	USUAL_COLD_CELSIUS,
	USUAL_TIME_CONSTANT_MINUTES,
	type Leg
} from '../../core/formula/index.ts';

/** A dough that is followed, with its card at the moment. */
export interface FollowedDough {
	readonly key: string;
	readonly view: RipeningDoughView;
	readonly story: DoughStory;
	readonly card: DoughCard;
	readonly attention: Attention;
}

/** The proof after a bulk that was ended, with what the bulk left it. */
export interface FollowedProof {
	readonly carriedMinutes: number;
	readonly card: DoughCard;
}

/** The cards are worked out anew this often. */
const TICK_MS = 10_000;

/** The doughs of a date as they ripen, by the clock of the bakery. */
export class RipeningModel {
	readonly #view: () => RipeningView;
	readonly #room: Room;

	constructor(view: () => RipeningView, room: Room) {
		this.#view = view;
		this.#room = room;
	}

	readonly nowMs = $derived.by(() => Math.floor(this.#room.now.epochMs / TICK_MS) * TICK_MS);
	/** Those that were mixed and not ended, with what they are followed by. */
	readonly #open = $derived.by(() =>
		this.#view().doughs.flatMap((view) => {
			const watched = view.endedAtMs === null ? watchedDough(view) : null;
			return watched ? [{ view, watched, attention: attentionOf(view, this.nowMs) }] : [];
		})
	);
	/** Those whose wait goes on, in the order of the mixes. */
	readonly #going = $derived.by(() =>
		this.#open.filter(({ attention }) => attention.kind !== 'closed')
	);
	/** Those nobody said a word of for so long that they are followed no more. */
	readonly unheard = $derived.by(() =>
		this.#open.filter(({ attention }) => attention.kind === 'closed')
	);
	readonly #watch = $derived.by(() => {
		const { room, named, roomCelsius, retarders } = this.#view();
		return watchDoughs(
			this.#going.map((dough) => dough.watched),
			{ room, named, roomCelsius, retarders },
			this.nowMs
		);
	});
	readonly followed: readonly FollowedDough[] = $derived.by(() =>
		this.#going.flatMap(({ view, attention }, index) => {
			const story = this.#watch.stories[index];
			return story ? [{ key: keyOf(view), view, story, card: doughCard(story), attention }] : [];
		})
	);
	/** Those whose places or times no model fits. */
	readonly beyond = $derived.by(() =>
		this.#going.flatMap(({ view }, index) => (this.#watch.stories[index] ? [] : [view]))
	);
	get cold(): ReadonlyMap<string, ColdAir> {
		return this.#watch.cold;
	}

	/** What a cold room would be with one more dough in it from now on. */
	coldWith(retarderId: string, dough: FollowedDough): ColdAir | null {
		const { roomCelsius, retarders } = this.#view();
		const retarder = retarders.find((retarder) => retarder.id === retarderId);
		if (!retarder) return null;
		const inside = this.followed
			.filter((other) => other.view.retarderId === retarderId && other.key !== dough.key)
			.flatMap((dough) => {
				const first = dough.story.past.find((stretch) => stretch.place === 'cold');
				return first
					? [
							{
								inAtMs: first.fromMs,
								kilograms: dough.view.grams / 1000,
								celsius: first.startCelsius,
								timeConstantMinutes: first.stretch.timeConstantMinutes,
								clock: dough.story.clock
							}
						]
					: [];
			})
			.sort((a, b) => a.inAtMs - b.inAtMs);
		return coldAir(
			retarder,
			[
				...inside,
				{
					inAtMs: this.nowMs,
					kilograms: dough.view.grams / 1000,
					celsius: dough.story.celsius,
					timeConstantMinutes: coldConstant(dough.view),
					clock: dough.story.clock
				}
			],
			roomCelsius,
			this.nowMs
		);
	}

	/** What a dough would do in a cold room from now on. */
	inCold(retarderId: string, dough: FollowedDough): DoughCard | null {
		const cold = this.coldWith(retarderId, dough);
		if (!cold) return null;
		const leg: Leg = {
			named: null,
			place: 'cold',
			ambientCelsius: USUAL_COLD_CELSIUS,
			timeConstantMinutes: coldConstant(dough.view),
			minutes: null
		};
		return this.ask(dough, {
			kind: 'moved-now',
			legs: legsInAir(leg, cold.air, this.nowMs, Infinity)
		});
	}

	ask(dough: FollowedDough, whatIf: WhatIf): DoughCard {
		return doughCard(dough.story, whatIf);
	}

	/** How much longer the proof takes when the bulk ends now, in minutes at the proof's own reference. */
	carriedNow(dough: FollowedDough): number | null {
		const { proof } = dough.view;
		return proof ? carriedDose(dough.story.clock, dough.story.dose, proof.step.clock) : null;
	}

	/** The proof of a dough whose bulk was ended; null where it has none. */
	proofOf(view: RipeningDoughView): FollowedProof | null {
		const watched = watchedDough(view);
		const { endedAtMs, proof } = view;
		if (!watched || endedAtMs === null || !proof) return null;
		const { room } = this.#view();
		const bulk = doughStory({
			step: watched.step,
			clockFactor: watched.clockFactor,
			startMs: watched.mixedAtMs,
			startCelsius: watched.mixedCelsius,
			events: watched.events,
			air: { room },
			nowMs: endedAtMs
		});
		const carriedMinutes = carriedDose(bulk.clock, bulk.dose, proof.step.clock);
		const startMs = endedAtMs + proof.minutesBefore * 60_000;
		const story = doughStory({
			step: { ...proof.step, clock: clockWithCarry(proof.step.clock, carriedMinutes) },
			clockFactor: 1,
			startMs,
			startCelsius: bulk.celsius,
			events: [],
			air: { room },
			nowMs: this.nowMs
		});
		return { carriedMinutes, card: doughCard(story) };
	}
}

function attentionOf(view: RipeningDoughView, nowMs: number): Attention {
	const heard = [
		...view.events.map((event) => event.atMs),
		...view.judgements.map((judgement) => judgement.occurredAtMs)
	];
	return attentionTo(view.mixed?.atMs ?? nowMs, heard, nowMs);
}

export function keyOf(view: Pick<RipeningDoughView, 'recipeId' | 'ordinal'>): string {
	return `${view.recipeId}:${view.ordinal}`;
}

/** How fast a dough's tub takes the cold. */
export function coldConstant(view: RipeningDoughView): number {
	return (
		view.step?.legs.find((leg) => leg.place === 'cold')?.timeConstantMinutes ??
		USUAL_TIME_CONSTANT_MINUTES.tubInTheCold
	);
}
