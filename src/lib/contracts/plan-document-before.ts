import { z } from 'zod';
import { storedStepSchema } from './steps.ts';
import type { AttendedStretch } from '../core/planning/index.ts';

const machine = z.object({ id: z.string(), name: z.string() });

/** What plans told before mixers, decks and drops differed from one another: as far as it is told otherwise now. */
export const shapeOne = z.looseObject({
	input: z.looseObject({
		drops: z.array(z.looseObject({ dueMs: z.number() })),
		bakery: z.object({
			mixers: z.array(machine),
			decks: z.array(machine),
			recoveryMinutes: z.number()
		}),
		doughs: z.array(z.looseObject({ mixes: z.array(z.looseObject({})) })),
		products: z.array(z.looseObject({}))
	}),
	plan: z.looseObject({ drops: z.array(z.looseObject({ dueMs: z.number() })) })
});

/** Then every mixer took every mix, every deck every load, and nothing stood between packing and the drop. */
export function asShapeTwo({ input, plan }: z.output<typeof shapeOne>): unknown {
	const { mixers, decks, recoveryMinutes } = input.bakery;
	const readyBy = <T extends { dueMs: number }>(drop: T) => ({ ...drop, readyByMs: drop.dueMs });
	return {
		input: {
			...input,
			drops: input.drops.map(readyBy),
			bakery: { mixers, decks: decks.map((deck) => ({ ...deck, recoveryMinutes })) },
			doughs: input.doughs.map((dough) => ({
				...dough,
				mixes: dough.mixes.map((mix) => ({ ...mix, mixerIds: mixers.map(({ id }) => id) }))
			})),
			products: input.products.map((product) => ({
				...product,
				deckIds: decks.map(({ id }) => id),
				vessel: null
			}))
		},
		plan: { ...plan, drops: plan.drops.map(readyBy) }
	};
}

/** What plans told before hands, ovens and moves were planned. */
export const shapeTwo = z.looseObject({
	input: z.looseObject({
		bakery: z.object({
			mixers: z.array(machine),
			decks: z.array(machine.extend({ recoveryMinutes: z.number() }))
		}),
		doughs: z.array(z.looseObject({ mixes: z.array(z.looseObject({})) }))
	}),
	plan: z.looseObject({
		tasks: z.array(
			z.looseObject({
				step: storedStepSchema,
				startMs: z.number(),
				endMs: z.number(),
				foldsMs: z.array(z.number())
			})
		),
		drops: z.array(z.looseObject({ readyMs: z.number().nullable() }))
	})
});

type TaskOfShapeTwo = z.output<typeof shapeTwo>['plan']['tasks'][number];

/** What a fold or a move was taken to last, and a deck to be loaded. */
const TOUCH_MS = 5 * 60_000;

/** Then every deck had its own heat, nobody was named, what each drop gets was not kept, and what was done within a wait was worked out as it was read. */
export function asShapeThree({ input, plan }: z.output<typeof shapeTwo>): unknown {
	const { mixers, decks } = input.bakery;
	return {
		input: {
			...input,
			people: null,
			orders: [],
			bakery: {
				mixers: mixers.map((mixer) => ({
					...mixer,
					bowls: 1,
					cleanDownMinutes: 0,
					cleansAfter: []
				})),
				ovens: decks.map(({ id, name, recoveryMinutes }) => ({
					id,
					name,
					decks: [{ id, name }],
					sharesHeat: false,
					preheatMinutes: 0,
					recoveryMinutes,
					heatMinutesPerTenKelvin: 0,
					coolMinutesPerTenKelvin: 0
				}))
			},
			doughs: input.doughs.map((dough) => ({
				...dough,
				mixes: dough.mixes.map((mix) => ({ ...mix, leaves: [] }))
			}))
		},
		plan: {
			...plan,
			tasks: plan.tasks.map((task) => ({
				...task,
				placedAs: null,
				movesMs: movesOf(task),
				attended: attendedOf(task)
			})),
			// What made a drop late was not told then.
			drops: plan.drops.map((drop) => ({ ...drop, late: [], othersReadyMs: drop.readyMs })),
			ovens: [],
			unplaced: []
		},
		placement: null
	};
}

function movesOf({ step, startMs }: TaskOfShapeTwo): readonly number[] {
	if (step.kind !== 'wait') return [];
	const [first, second] = step.legs;
	return first?.minutes && second ? [startMs + first.minutes * 60_000] : [];
}

function attendedOf(task: TaskOfShapeTwo): readonly AttendedStretch[] {
	const { step, startMs, endMs, foldsMs } = task;
	const short = (what: AttendedStretch['what']) => (fromMs: number) => ({
		what,
		fromMs,
		toMs: fromMs + TOUCH_MS,
		personIds: []
	});
	switch (step.kind) {
		case 'hands-on':
			return [{ what: 'do', fromMs: startMs, toMs: endMs, personIds: [] }];
		case 'wait':
			return [...foldsMs.map(short('fold')), ...movesOf(task).map(short('move'))];
		case 'bake':
			return [short('load')(startMs), short('draw')(endMs)];
	}
}
