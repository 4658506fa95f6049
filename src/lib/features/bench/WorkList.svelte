<script lang="ts">
	import type { BoardWork, WorkEntry } from '../../core/bench/index.ts';
	import { formatTemperature, type UnitChoice } from '../../core/units/index.ts';
	import type { HandsOnEntry } from '../../wording/list-entry.ts';
	import { handText, whenText } from '../../wording/bench-text.ts';
	import { heldTogether } from '../../wording/held-together.ts';
	import { clockText } from '../../wording/time-text.ts';

	interface Props {
		heading: string;
		works: readonly BoardWork[];
		entryOf: (one: BoardWork) => HandsOnEntry;
		chosen: string | null;
		nowMs: number;
		zone: string;
		units: UnitChoice;
		onChoose: (key: string) => void;
	}
	let { heading, works, entryOf, chosen, nowMs, zone, units, onChoose }: Props = $props();
	const timeOf = ({ state, dueMs, fromMs, toMs }: BoardWork) => {
		if (state.kind === 'done') return toMs;
		return state.kind === 'begun' ? fromMs : dueMs;
	};
	const readOf = ({ celsius }: WorkEntry) =>
		celsius === null ? '' : formatTemperature({ celsius }, 0, units);
	function saidOf(one: BoardWork): string {
		const { state } = one;
		switch (state.kind) {
			case 'begun':
				return `in hand, ${handText(one, nowMs)}`;
			case 'done':
				return [state.entry.by === '' ? 'measured' : `done, ${state.entry.by}`, readOf(state.entry)]
					.filter((part) => part !== '')
					.join(', ');
			case 'left-out':
				return `left out${state.entry.because === '' ? '' : `: ${state.entry.because}`}`;
			case 'put-off':
				return [whenText(one, nowMs), state.because].filter((part) => part !== '').join(', ');
			case 'open':
				return whenText(one, nowMs);
		}
	}
</script>

{#if works.length > 0}
	<h2>{heading}</h2>
	<ol>
		{#each works as one (one.work.key)}
			{@const entry = entryOf(one)}
			<li>
				<button
					class="row"
					class:act-now={one.lateMinutes > 0}
					aria-current={one.work.key === chosen ? 'true' : undefined}
					data-work={entry.what}
					data-work-state={one.state.kind}
					onclick={() => onChoose(one.work.key)}
				>
					<span class="time">{clockText(timeOf(one), zone)}</span>
					<span class="what">
						<b>{heldTogether(entry.what)}</b>
						<span class="said"
							>{[saidOf(one), entry.machine, entry.who]
								.filter((part) => part !== '')
								.join(' · ')}</span
						>
					</span>
				</button>
			</li>
		{/each}
	</ol>
{/if}

<style>
	h2 {
		padding: 12px 14px 4px;
		color: var(--ink-2);
		font-size: 19px;
	}
	.row {
		display: flex;
		align-items: baseline;
		gap: 12px;
		width: 100%;
		min-height: 64px;
		padding: 8px 14px;
		border-bottom: 1px solid var(--line);
		border-left: 6px solid transparent;
		text-align: left;
		cursor: pointer;
	}
	.row[aria-current] {
		border-left-color: var(--ink);
		background: var(--ground);
	}
	.row.act-now[aria-current] {
		border-left-color: var(--act-ink);
		background: var(--act);
	}
	.time {
		font-size: 24px;
		font-weight: 800;
		font-variant-numeric: tabular-nums;
	}
	.what b {
		text-wrap: pretty;
		display: block;
		font-size: 19px;
		line-height: 1.2;
	}
	.said {
		display: block;
	}
</style>
