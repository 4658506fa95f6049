import { bytesOf } from '../kernel/memory.ts';
import type { Compiled, CompiledMode } from './compiled.ts';
import { mostMessages } from './messages.ts';
import { isFree } from './prices.ts';
import { roomOfWindows } from './window-pass.ts';

/** Rows of which there is one in any case: what is early, what is held, ends, one's own (2), a load's (4), its open units. */
const ALWAYS = 10;

/** How many bytes the rows of a state and of the values against it take in a kernel. */
export function roomOf(model: Compiled): number {
	const { horizon, there, views, slots, modes, tasks } = model;
	let priced = 0;
	for (const mode of modes) if (!isFree(model, mode)) priced += 1;
	const rows =
		ALWAYS + views.length + 2 * slots.count + priced + sortsOf(modes) + mostMessages(model);
	return (
		rows * bytesOf(horizon + 1, 4) +
		bytesOf(roomOfWindows(horizon), 4) +
		there.length * bytesOf(horizon, 2) +
		tasks * bytesOf(horizon + 1, 2)
	);
}

/** How many sorts of portions there are, machine by machine. */
function sortsOf(modes: readonly CompiledMode[]): number {
	const sorts = new Set<string>();
	for (const { portion } of modes)
		if (portion) for (const machine of portion.machines) sorts.add(`${machine} ${portion.sort}`);
	return sorts.size;
}
