import type { Row } from '../kernel/row.ts';
import { NEVER, type CompiledSpan } from './compiled.ts';
import type { State } from './state.ts';

/** The span that is measured from its first start on: what an earlier beginning would cost more. */
export class DayBeginning {
	/** By start, what beginning there would cost more than what stands does. */
	readonly early: Row;
	/** Starts from here on belong to the day whose beginning is priced; beyond the horizon where none is. */
	readonly floor: number;
	private readonly at: number;
	private readonly span: CompiledSpan | null;

	constructor(private readonly state: State) {
		const { model } = state;
		this.early = state.kernel.row(model.horizon + 1);
		this.at = model.spans.findIndex((span) => span.until !== null);
		this.span = model.spans[this.at] ?? null;
		this.floor = this.span ? Math.max(0, this.span.floor) : model.horizon + 1;
	}

	/**
	 * To be called when what stands changed: fills `early`. The day may be assumed to begin sooner than it does, so
	 * that tasks are not each charged alone for what several share; gives what that assumption costs.
	 */
	look(assumed: number): number {
		const { early, span, floor } = this;
		early.fill(0);
		if (!span) return 0;
		const stands = this.first();
		const first = Math.min(stands, Math.max(assumed, floor));
		for (let t = floor; t < first && t < early.length; t += 1)
			early[t] = Math.min(NEVER, span.price * (first - t));
		return span.price * (stands - first);
	}

	/** The first start of what stands and counts. */
	first(): number {
		const { span, state } = this;
		if (!span) return state.model.horizon;
		return Math.min(span.until ?? 0, state.firstStarts.of(this.at));
	}
}
