import { Kernel } from './kernel.ts';

/** How many are kept for the next who wants one: a worker answers one question at a time. */
const KEPT = 2;

/**
 * Kernels that nobody uses. To make one takes as long as a hundred calls of each kind, until the engine has compiled the way
 * to it; a worker asks for one with every question.
 */
const idle: Kernel[] = [];

/** A kernel with room for rows of so many bytes together, empty; one that was given back where there is such. */
export function kernelOf(bytes: number): Kernel {
	for (let at = 0; at < idle.length; at += 1) {
		const one = idle[at] as Kernel;
		if (one.room < bytes) continue;
		idle.splice(at, 1);
		return one;
	}
	return new Kernel(bytes);
}

/** Gives a kernel back with all its rows, which must not be used any more. Who forgets it costs the next some time, no more. */
export function giveBack(kernel: Kernel): void {
	if (idle.includes(kernel)) return;
	kernel.clear();
	idle.push(kernel);
	if (idle.length <= KEPT) return;
	// The roomiest serve most.
	idle.sort((a, b) => b.room - a.room);
	idle.length = KEPT;
}
