import type { Skill } from '../bakery/index.ts';
import type { HandsOnActivity } from '../formula/index.ts';
import type { Demand, Mode, Pool } from '../schedule/index.ts';
import { unitsFilled, type Grid } from './grid.ts';
import type { PlannedPerson } from './input.ts';
import { FOUND_PRICE } from './prices.ts';
import type { TakenElsewhere } from './taken-elsewhere.ts';

/** What a hand must know for a piece of work: any of these will do. */
const SKILLS_OF: Readonly<Record<HandsOnActivity, readonly Skill[]>> = {
	weigh: ['mixing', 'shaping', 'packing'],
	mix: ['mixing'],
	'knock-back': ['mixing', 'shaping'],
	divide: ['shaping'],
	'pre-shape': ['shaping'],
	shape: ['shaping'],
	laminate: ['lamination'],
	sheet: ['lamination', 'shaping'],
	cut: ['shaping', 'lamination'],
	fill: ['shaping'],
	wrap: ['shaping'],
	pan: ['shaping'],
	wash: ['shaping', 'oven'],
	dip: ['oven', 'shaping'],
	coat: ['shaping', 'oven'],
	score: ['oven', 'shaping'],
	glaze: ['oven', 'packing'],
	depan: ['oven', 'packing'],
	pack: ['packing']
};

/** Work beside the steps of a recipe. */
export type Chore = 'fold' | 'move' | 'oven' | 'pick' | 'load-van' | 'drive';

const SKILLS_OF_CHORE: Readonly<Record<Chore, readonly Skill[]>> = {
	fold: ['mixing', 'shaping'],
	move: [],
	oven: ['oven'],
	pick: ['packing'],
	'load-van': ['packing', 'driving'],
	drive: ['driving']
};

/** A way to do something by those who take as long. */
export interface Pace {
	readonly way: string;
	/** In units. */
	readonly length: number;
	/** So many times the usual minutes, by the slowest of them. */
	readonly times: number;
	readonly demands: readonly Demand[];
}

/** Somebody who is gone from a moment on. */
export interface AwayFrom {
	readonly personId: string;
	readonly fromMs: number;
}

const BY_HANDS = 'hands';

/** The pool of those who would have to be found, where nobody is there. */
export const SOMEBODY = 'somebody';

/** The pool of presence: somebody is at work, whatever they do. */
const ANYBODY = 'anybody';

/** A gap between two stretches of work that is a break, not the end of a shift (our default, in minutes). */
const BREAK_MINUTES = 60;

/** Whoever has to be found can be found as often as needed. */
const AS_MANY_AS_NEEDED = 20_000;

/**
 * Who can do what in a plan. Nobody is given two things at once: each is a pool of one while at work.
 *
 * Model: any of those who have one of the skills; where nobody has any, any of those who work. Where no shifts are
 * entered hands are not planned at all.
 * Source: domain (people by skill under shift calendars), our default. Failures: none.
 */
export class Hands {
	constructor(
		private readonly people: readonly PlannedPerson[] | null,
		private readonly elsewhere: readonly TakenElsewhere[],
		private readonly grid: Grid,
		private readonly horizon: number,
		/** Who is not there from then on: they are no presence either. */
		private readonly away: readonly AwayFrom[]
	) {}

	pools(): readonly Pool[] {
		if (this.people === null) return [];
		const { grid, horizon } = this;
		return [
			...this.people.map(({ id, there }) => ({
				id: poolOf(id),
				there: without(
					there.map(({ fromMs, toMs }) => ({
						from: Math.max(0, grid.ceil(fromMs)),
						to: Math.min(horizon, grid.floor(toMs))
					})),
					this.elsewhere
						.filter((one) => one.of === 'person' && one.id === id)
						.map(({ fromMs, toMs }) => ({ from: grid.floor(fromMs), to: grid.ceil(toMs) }))
				).map((stretch) => ({ ...stretch, amount: 1 }))
			})),
			{
				id: ANYBODY,
				there: this.anybodyThere().map((stretch) => ({ ...stretch, amount: AS_MANY_AS_NEEDED }))
			},
			{ id: SOMEBODY, there: [{ from: 0, to: horizon, amount: AS_MANY_AS_NEEDED }] }
		];
	}

	/** One pair of hands for these activities, from unit to unit of a task. */
	forSteps(
		activities: readonly HandsOnActivity[],
		span: { readonly from: number; readonly to: number }
	): readonly Demand[] {
		return this.demand(this.ableFor(activities), span);
	}

	/**
	 * The ways to do activities that take so many minutes: one for each length that they take by the pace of those who
	 * can. The first is the usual one where somebody works at that.
	 */
	paces(activities: readonly HandsOnActivity[], minutes: number): readonly Pace[] {
		const usual = unitsFilled(minutes);
		const bare = { way: BY_HANDS, length: usual, times: 1, demands: [] };
		if (this.people === null || usual === 0) return [bare];
		const able = this.ableFor(activities);
		const byLength = new Map<number, { times: number; ids: string[] }>();
		for (const { id, pacePercent } of this.people) {
			if (!able.includes(id)) continue;
			const times = pacePercent / 100;
			const length = unitsFilled(minutes * times);
			const known = byLength.get(length) ?? { times, ids: [] };
			byLength.set(length, { times: Math.max(known.times, times), ids: [...known.ids, id] });
		}
		const lengths = [...byLength].sort(
			([a], [b]) => Math.abs(a - usual) - Math.abs(b - usual) || a - b
		);
		if (lengths.length === 0)
			return [{ ...bare, demands: this.demand([], { from: 0, to: usual }) }];
		return lengths.map(([length, { times, ids }], at) => ({
			way: at === 0 ? BY_HANDS : `${BY_HANDS}-${length}`,
			length,
			times,
			demands: this.demand(ids, { from: 0, to: length })
		}));
	}

	/** The same for a chore; `found` where somebody may have to be found for it. */
	forChore(
		chore: Chore,
		span: { readonly from: number; readonly to: number },
		found = false
	): readonly Demand[] {
		return this.demand(this.able(SKILLS_OF_CHORE[chore]), span, found);
	}

	/** Anybody at all at work in one unit of a task, whatever they do. */
	present(at: number, found: boolean): readonly Demand[] {
		if (this.people === null) return [];
		return [{ pools: [ANYBODY, ...(found ? [SOMEBODY] : [])], amount: 1, from: at, to: at + 1 }];
	}

	/** The stretches in which anybody is at work: a break leaves nobody gone. */
	private anybodyThere(): readonly Stretch[] {
		const { grid, horizon } = this;
		return this.people === null
			? []
			: merged(
					this.people.flatMap(({ id, there }) => {
						const goneMs = Math.min(
							...this.away.flatMap(({ personId, fromMs }) => (personId === id ? [fromMs] : [])),
							Infinity
						);
						return there.map(({ fromMs, toMs }) => ({
							from: Math.max(0, grid.ceil(fromMs)),
							to: Math.min(horizon, grid.floor(Math.min(toMs, goneMs)))
						}));
					}),
					unitsFilled(BREAK_MINUTES)
				);
	}

	/**
	 * The same for a chore that is somebody else's where nobody of those entered has the skill for it; and what it wants
	 * where somebody has to be found.
	 */
	ifAny(
		chore: Chore,
		span: { readonly from: number; readonly to: number }
	): { readonly demands: readonly Demand[]; readonly found: readonly Demand[] } {
		const skills = SKILLS_OF_CHORE[chore];
		const able = (this.people ?? []).filter((person) =>
			skills.some((skill) => person.skills.includes(skill))
		);
		if (able.length === 0) return { demands: [], found: [] };
		return {
			demands: this.demand(
				able.map(({ id }) => id),
				span
			),
			found: [{ pools: [SOMEBODY], amount: 1, ...span }]
		};
	}

	/** A way to do it, and where it is relaxed a dear one: somebody is found for what hands it wants. */
	ways(mode: Mode, relaxed: boolean): readonly Mode[] {
		const byHands = mode.demands.filter(({ pools }) => pools.some((pool) => isOfPerson(pool)));
		if (!relaxed || byHands.length === 0) return [mode];
		const found = mode.demands.map((demand) =>
			byHands.includes(demand) ? { ...demand, pools: [SOMEBODY] } : demand
		);
		return [mode, { ...mode, id: `${mode.id}${FOUND}`, demands: found, price: FOUND_PRICE }];
	}

	private demand(
		able: readonly string[],
		{ from, to }: { readonly from: number; readonly to: number },
		found = false
	): readonly Demand[] {
		if (this.people === null || to <= from) return [];
		const pools = able.map(poolOf);
		if (found || pools.length === 0) pools.push(SOMEBODY);
		return [{ pools, amount: 1, from, to }];
	}

	/** Those who can do all of it; an activity that none of them can is done by any of them. */
	private ableFor(activities: readonly HandsOnActivity[]): readonly string[] {
		return activities.reduce<readonly string[]>(
			(all, activity) => {
				const some = this.able(SKILLS_OF[activity]).filter((id) => all.includes(id));
				return some.length > 0 ? some : all;
			},
			this.people?.map(({ id }) => id) ?? []
		);
	}

	private able(skills: readonly Skill[]): readonly string[] {
		const people = this.people ?? [];
		const skilled = people.filter((person) =>
			skills.some((skill) => person.skills.includes(skill))
		);
		return (skilled.length > 0 ? skilled : people).map(({ id }) => id);
	}
}

interface Stretch {
	readonly from: number;
	readonly to: number;
}

/** Stretches as few as they can be, those with at most so much between them joined. */
function merged(stretches: readonly Stretch[], between: number): readonly Stretch[] {
	const whole: Stretch[] = [];
	for (const one of [...stretches].sort((a, b) => a.from - b.from)) {
		const last = whole.at(-1);
		if (one.from >= one.to) continue;
		if (last && one.from <= last.to + between)
			whole[whole.length - 1] = { from: last.from, to: Math.max(last.to, one.to) };
		else whole.push(one);
	}
	return whole;
}

/** Stretches without what others take of them. */
function without(stretches: readonly Stretch[], taken: readonly Stretch[]): readonly Stretch[] {
	return taken
		.reduce<readonly Stretch[]>(
			(left, { from, to }) =>
				left.flatMap((one) =>
					to <= one.from || one.to <= from
						? [one]
						: [
								{ from: one.from, to: from },
								{ from: to, to: one.to }
							]
				),
			stretches
		)
		.filter(({ from, to }) => from < to);
}

/** What tells the way of doing something for which somebody is found. */
const FOUND = '-found';

/** The way of doing something, whoever does it. */
export function wayOf(mode: string): string {
	return mode.endsWith(FOUND) ? mode.slice(0, -FOUND.length) : mode;
}

export function isOfPerson(pool: string): boolean {
	return personOf(pool) !== null || pool === SOMEBODY;
}

export function poolOf(personId: string): string {
	return `person:${personId}`;
}

/** The person behind a pool; null for the one that has to be found. */
export function personOf(pool: string): string | null {
	return pool.startsWith('person:') ? pool.slice('person:'.length) : null;
}
