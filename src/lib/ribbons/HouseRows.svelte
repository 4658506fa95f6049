<script lang="ts">
	import { clockText, shortDateText } from '../wording/time-text.ts';
	import type { MachineBlock, MachineRow } from './machine-rows.ts';

	interface Props {
		rows: readonly MachineRow[];
		zone: string;
		/** Where a moment stands on the line. */
		x: (ms: number) => number;
		from: number;
		to: number;
		top: number;
		height: number;
		selected: string | null;
		onSelect?: (taskId: string) => void;
		onGrab?: (taskId: string, event: PointerEvent) => void;
	}
	let { rows, zone, x, from, to, top, height, selected, onSelect, onGrab }: Props = $props();

	const within = ({ fromMs, toMs }: { readonly fromMs: number; readonly toMs: number }) =>
		toMs > from && fromMs < to;
	const left = (ms: number) => x(Math.max(ms, from));
	const wide = (fromMs: number, toMs: number) => Math.max(2, x(Math.min(toMs, to)) - left(fromMs));
	const told = (block: MachineBlock) =>
		block.celsius !== null && wide(block.fromMs, block.toMs) >= 30 ? `${block.celsius}` : '';
</script>

{#each rows as row, index (row.key)}
	{@const y = top + index * height}
	<g data-house={row.name}>
		<text x="4" y={y + 17} class="name">{row.name}</text>
		{#each row.there ?? [{ fromMs: from, toMs: to }] as shift (shift.fromMs)}
			{#if within(shift)}
				<line
					x1={left(shift.fromMs)}
					x2={x(Math.min(shift.toMs, to))}
					y1={y + 12}
					y2={y + 12}
					stroke={row.there ? 'var(--ink-2)' : 'var(--line)'}
					stroke-width={row.there ? 3 : 1}
				/>
			{/if}
		{/each}
		{#each row.elsewhere.filter(within) as other, at (at)}
			<rect
				data-elsewhere={other.date}
				x={left(other.fromMs)}
				y={y + 7}
				width={wide(other.fromMs, other.toMs)}
				height="10"
				fill="var(--line)"
				stroke="var(--ink-2)"
			>
				<title
					>for {shortDateText(other.date)}: {other.name}, {clockText(
						other.fromMs,
						zone
					)}–{clockText(other.toMs, zone)}</title
				>
			</rect>
		{/each}
		{#each row.blocks.filter(within) as block (block.key)}
			<!-- The list beside the ribbons is the way by keyboard. -->
			<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
			<g
				class={onSelect && block.taskId !== null ? 'cursor-pointer' : ''}
				onclick={() => {
					if (block.taskId !== null) onSelect?.(block.taskId);
				}}
				onpointerdown={(event) => {
					if (block.taskId !== null) onGrab?.(block.taskId, event);
				}}
			>
				{#if block.told !== ''}<title>{block.told}, {clockText(block.fromMs, zone)}</title>{/if}
				<rect
					x={left(block.fromMs)}
					y={y + 4}
					width={wide(block.fromMs, block.toMs)}
					height="16"
					fill={row.kind === 'person' ? 'var(--ink)' : 'var(--sheet)'}
					stroke="var(--ink)"
					stroke-width={selected !== null && selected === block.taskId ? 4 : 2}
				/>
				{#if told(block)}
					<text
						x={left(block.fromMs) + wide(block.fromMs, block.toMs) / 2}
						y={y + 16}
						text-anchor="middle"
						class="set">{told(block)}</text
					>
				{/if}
			</g>
		{/each}
		{#each row.clashes.filter(within) as clash (clash.fromMs)}
			<rect
				x={left(clash.fromMs)}
				y={y + 2}
				width={wide(clash.fromMs, clash.toMs)}
				height="20"
				fill="var(--act)"
			>
				<title>two at once from {clockText(clash.fromMs, zone)}</title>
			</rect>
		{/each}
	</g>
{/each}

<style>
	text {
		fill: var(--ink);
		font-size: 13px;
	}
	.name {
		font-size: 14px;
		font-weight: 700;
	}
	.set {
		font-size: 11px;
		font-weight: 700;
		pointer-events: none;
	}
</style>
