import type { Compiled, CompiledSpan } from './compiled.ts';

/** The first start within each span that is measured from there on, kept up to date as tasks come and go. */
export class FirstStarts {
	/** By span and start, how many tasks of it begin there. */
	private readonly counts: Int16Array[];
	private readonly firsts: Int32Array;

	constructor(private readonly model: Compiled) {
		const { horizon, spans } = model;
		this.counts = [];
		for (let at = 0; at < spans.length; at += 1) this.counts.push(new Int16Array(horizon + 1));
		this.firsts = new Int32Array(spans.length).fill(horizon + 1);
	}

	/** The first start of what counts; beyond the horizon where nothing does. */
	of(span: number): number {
		return this.firsts[span] as number;
	}

	add(u: number, start: number): void {
		const { spans, spansOf } = this.model;
		const own = spansOf[u] as readonly number[];
		for (let at = 0; at < own.length; at += 1) {
			const span = own[at] as number;
			if (start < (spans[span] as CompiledSpan).floor) continue;
			const counts = this.counts[span] as Int16Array;
			counts[start] = (counts[start] as number) + 1;
			if (start < (this.firsts[span] as number)) this.firsts[span] = start;
		}
	}

	drop(u: number, start: number): void {
		const { horizon, spans, spansOf } = this.model;
		const own = spansOf[u] as readonly number[];
		for (let at = 0; at < own.length; at += 1) {
			const span = own[at] as number;
			if (start < (spans[span] as CompiledSpan).floor) continue;
			const counts = this.counts[span] as Int16Array;
			counts[start] = (counts[start] as number) - 1;
			if (start > (this.firsts[span] as number)) continue;
			let first = start;
			while (first <= horizon && (counts[first] as number) === 0) first += 1;
			this.firsts[span] = first;
		}
	}
}
