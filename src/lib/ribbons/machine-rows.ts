import type { BakeDayInput, DayPlan, TakenElsewhere } from '../core/planning/index.ts';
import { deliveryActText } from '../wording/delivery-text.ts';

export interface MachineRow {
	readonly key: string;
	readonly name: string;
	readonly kind: 'person' | 'mixer' | 'deck';
	readonly blocks: readonly MachineBlock[];
	/** Where it is there at all: the shifts of a person; null for a machine. */
	readonly there: readonly { readonly fromMs: number; readonly toMs: number }[] | null;
	/** Where two tasks are on it at once, as plans of before could say. */
	readonly clashes: readonly { readonly fromMs: number; readonly toMs: number }[];
	/** What accepted plans of other dates have it for. */
	readonly elsewhere: readonly TakenElsewhere[];
}

export interface MachineBlock {
	readonly key: string;
	/** The task that is chosen by it; null for what is none: a drop that is picked or driven. */
	readonly taskId: string | null;
	/** What is done, where it is no task. */
	readonly told: string;
	readonly fromMs: number;
	readonly toMs: number;
	/** What a deck is set to; empty elsewhere. */
	readonly celsius: number | null;
}

/** Who and what is at work when: people, mixers, decks. */
export function machineRows(plan: DayPlan, input: BakeDayInput): readonly MachineRow[] {
	const machines = [
		...input.bakery.mixers.map(({ id, name }) => ({ id, name, kind: 'mixer' as const })),
		...input.bakery.ovens.flatMap(({ decks }) =>
			decks.map(({ id, name }) => ({ id, name, kind: 'deck' as const }))
		)
	];
	const elsewhereOf = (of: TakenElsewhere['of'], id: string) =>
		input.elsewhere.filter((one) => one.of === of && one.id === id);
	return [
		...(input.people ?? []).flatMap((person): MachineRow[] => {
			const blocks = blocksOfPerson(plan, person.id);
			return blocks.length === 0 && elsewhereOf('person', person.id).length === 0
				? []
				: [
						{
							key: person.id,
							name: person.name,
							kind: 'person',
							blocks,
							there: person.there,
							clashes: [],
							elsewhere: elsewhereOf('person', person.id)
						}
					];
		}),
		...machines.map(({ id, name, kind }): MachineRow => ({
			key: id,
			name,
			kind,
			blocks: loadsTogether(
				plan.tasks
					.filter((task) => task.machineId === id)
					.map((task) => ({
						key: task.id,
						taskId: task.id,
						told: '',
						fromMs: task.startMs,
						toMs: task.endMs,
						celsius: task.step.kind === 'bake' ? task.step.loadCelsius : null
					}))
			),
			there: null,
			clashes: plan.cautions.flatMap((caution) =>
				caution.kind === 'overlap' && caution.machine === id
					? [{ fromMs: caution.from * 60_000, toMs: caution.to * 60_000 }]
					: []
			),
			elsewhere: elsewhereOf(kind, id)
		}))
	];
}

/** What is loaded together is one block. */
function loadsTogether(blocks: readonly MachineBlock[]): readonly MachineBlock[] {
	const found: MachineBlock[] = [];
	for (const block of blocks) {
		const at = found.findIndex((other) => other.celsius !== null && other.fromMs === block.fromMs);
		const same = found[at];
		if (same) found[at] = { ...same, toMs: Math.max(same.toMs, block.toMs) };
		else found.push(block);
	}
	return found;
}

function blocksOfPerson(plan: DayPlan, personId: string): readonly MachineBlock[] {
	const delivered = plan.deliveries
		.filter(({ personIds }) => personIds.includes(personId))
		.map((one) => ({
			key: `${one.dropId} ${one.what}`,
			taskId: null,
			told: deliveryActText(one),
			fromMs: one.fromMs,
			toMs: one.toMs,
			celsius: null
		}));
	const worked = plan.tasks.flatMap((task) =>
		task.attended.flatMap(({ fromMs, toMs, personIds }, index) =>
			personIds.includes(personId)
				? [{ key: `${task.id} ${index}`, taskId: task.id, told: '', fromMs, toMs, celsius: null }]
				: []
		)
	);
	return [...worked, ...delivered];
}
