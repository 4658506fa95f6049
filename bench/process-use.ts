import { readFileSync } from 'node:fs';

/** What a process holds of memory now. */
export function residentMegabytes(pid: number): number {
	const kilobytes = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1];
	return Number(kilobytes ?? 0) / 1024;
}

/** Ticks of the kernel's clock for processes, per second: the same on every Linux that Node.js runs on. */
const TICKS_PER_SECOND = 100;

/** The processor's time that a process has had since it began, in seconds. */
export function processorSeconds(pid: number): number {
	const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
	// Its name may hold anything, and stands in brackets.
	const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
	return (Number(fields[11]) + Number(fields[12])) / TICKS_PER_SECOND;
}

export function median(values: readonly number[]): number {
	return [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;
}
