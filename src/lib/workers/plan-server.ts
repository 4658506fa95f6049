import type { PlanReply, PlanRequest } from '../contracts/plan-protocol.ts';
import { planDay } from '../core/planning/index.ts';

/** What the worker's side of the protocol needs of its surroundings. */
export interface PlanPort {
	readonly listen: (handler: (request: PlanRequest) => void) => void;
	readonly reply: (message: PlanReply) => void;
	/** Lets waiting messages in. */
	readonly pause: () => Promise<void>;
	readonly now: () => number;
}

/** A slice of work after which messages are let in, in milliseconds. */
const SLICE_MS = 8;

/**
 * Answers plan requests. A new request ends the one at work, a cancel ends its own; both are heard while
 * a plan is being made, between slices.
 */
export function answerPlanRequests(port: PlanPort): void {
	let current = 0;
	port.listen((request) => {
		if (request.kind === 'cancel') {
			if (request.id === current) current = 0;
			return;
		}
		current = request.id;
		void plan(port, request, () => current === request.id);
	});
}

async function plan(
	port: PlanPort,
	request: Extract<PlanRequest, { kind: 'plan' }>,
	wanted: () => boolean
): Promise<void> {
	const { id, input } = request;
	try {
		await port.pause();
		const run = planDay(input);
		let slice = port.now();
		for (let step = run.next(); ; step = run.next()) {
			if (step.done) {
				const { value } = step;
				port.reply(
					value.ok
						? { kind: 'planned', id, placement: value.value }
						: { kind: 'impossible', id, failure: value.error }
				);
				return;
			}
			if (port.now() - slice < SLICE_MS) continue;
			port.reply({ kind: 'progress', id, done: step.value.done, total: step.value.total });
			await port.pause();
			if (!wanted()) {
				port.reply({ kind: 'cancelled', id });
				return;
			}
			slice = port.now();
		}
	} catch (error) {
		port.reply({
			kind: 'broken',
			id,
			message: error instanceof Error ? error.message : String(error)
		});
	}
}
