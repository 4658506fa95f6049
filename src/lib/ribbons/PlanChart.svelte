<script lang="ts">
	import type { BakeDayInput, DayPlan } from '../core/planning/index.ts';
	import Ribbon from '../ui/ribbon/Ribbon.svelte';
	import { RIBBON_HEIGHT } from '../ui/ribbon/ribbon-height.ts';
	import { clockText, dayText } from '../wording/time-text.ts';
	import { handsBlocks, machineRows } from './machine-rows.ts';
	import { planRows } from './plan-rows.ts';

	interface Props {
		plan: DayPlan;
		input: BakeDayInput;
		zone: string;
		width: number;
		nowMs: number | null;
		selected: string | null;
		onSelect?: (taskId: string) => void;
		/** How much of the width the names take. */
		names?: number;
	}
	let { plan, input, zone, width, nowMs, selected, onSelect, names = 150 }: Props = $props();

	const HOUR_MS = 3_600_000;
	const TOP = 40;
	const MACHINE_HEIGHT = 26;
	const rows = $derived(planRows(plan, input));
	const machines = $derived(machineRows(plan, input));
	const hands = $derived(handsBlocks(plan));
	const range = $derived.by(() => {
		const starts = plan.tasks.map((task) => task.startMs);
		const ends = [...plan.tasks.map((task) => task.endMs), ...plan.drops.map((drop) => drop.dueMs)];
		const from = Math.floor(Math.min(...starts) / HOUR_MS) * HOUR_MS;
		const to = Math.ceil((Math.max(...ends) + HOUR_MS / 4) / HOUR_MS) * HOUR_MS;
		return { from, to };
	});
	const scale = $derived((width - names - 12) / (range.to - range.from));
	const x = $derived((ms: number) => names + (ms - range.from) * scale);
	const hours = $derived.by(() => {
		const all: number[] = [];
		for (let ms = range.from; ms <= range.to; ms += HOUR_MS) all.push(ms);
		return all;
	});
	const everyHour = $derived(scale * HOUR_MS >= 26);
	const machinesTop = $derived(TOP + rows.length * RIBBON_HEIGHT + 22);
	const height = $derived(machinesTop + (machines.length + 1) * MACHINE_HEIGHT + 6);
	const isMidnight = (ms: number) => clockText(ms, zone) === '00:00';
	const nowShown = $derived(
		nowMs !== null && nowMs > range.from && nowMs < range.to ? nowMs : null
	);
</script>

<svg
	{width}
	{height}
	viewBox="0 0 {width} {height}"
	role="img"
	aria-label="Ribbons of every dough from {clockText(range.from, zone)} to {clockText(
		range.to,
		zone
	)}; the list beside says the same in words"
>
	{#each hours as ms, index (ms)}
		{@const midnight = isMidnight(ms)}
		<line
			x1={x(ms)}
			x2={x(ms)}
			y1={TOP - 6}
			y2={height}
			stroke={midnight ? 'var(--ink-2)' : 'var(--line)'}
			stroke-width={midnight ? 1.5 : 1}
		/>
		{#if everyHour || index % 2 === 0}
			<text x={x(ms)} y={TOP - 12} text-anchor="middle" class="hour" class:strong={midnight}>
				{clockText(ms, zone).slice(0, 2)}
			</text>
		{/if}
		{#if midnight}
			<text x={x(ms) + 4} y={12} class="day">{dayText(ms, zone)}</text>
		{:else if index === 0}
			<text x={x(ms)} y={12} class="day">{dayText(ms, zone)}</text>
		{/if}
	{/each}

	{#each rows as row, index (row.key)}
		<g transform="translate(0 {TOP + index * RIBBON_HEIGHT})" data-row={row.title}>
			<text x="4" y="15" class="name">{row.title}</text>
			<text x="4" y="31" class="note">{row.subtitle}</text>
			<Ribbon
				id="ribbon-{index}"
				segments={row.segments
					.map((segment) => ({
						key: segment.taskId,
						fromX: x(segment.fromMs),
						toX: x(segment.toMs),
						texture: segment.texture,
						lane: segment.lane,
						celsius: segment.celsius
					}))
					.map((mark, at) => ({ ...mark, key: `${mark.key}#${at}` }))}
				marks={row.marks
					.filter((mark) => mark.ms < range.to && mark.ms > range.from)
					.map((mark, at) => ({ key: `${at}`, x: x(mark.ms), kind: mark.kind }))}
				pins={row.pinsMs.map(x)}
				selected={selected === null
					? null
					: (row.segments
							.map((segment, at) =>
								segment.taskId === selected ? `${segment.taskId}#${at}` : null
							)
							.find((found) => found !== null) ?? null)}
				{...onSelect ? { onSelect: (key: string) => onSelect(key.split('#')[0] ?? key) } : {}}
			/>
		</g>
	{/each}

	<text x="4" y={machinesTop - 6} class="note">Machines and hands</text>
	{#each machines as machine, index (machine.key)}
		{@const y = machinesTop + index * MACHINE_HEIGHT}
		<g>
			<text x="4" y={y + 17} class="name">{machine.name}</text>
			<line x1={names} x2={width - 12} y1={y + 12} y2={y + 12} stroke="var(--line)" />
			{#each machine.blocks as block (block.taskId)}
				<rect
					x={x(block.fromMs)}
					y={y + 4}
					width={Math.max(2, x(block.toMs) - x(block.fromMs))}
					height="16"
					fill="var(--sheet)"
					stroke="var(--ink)"
					stroke-width="2"
				/>
			{/each}
			{#each machine.clashes as clash, at (at)}
				<rect
					x={x(clash.fromMs)}
					y={y + 2}
					width={Math.max(3, x(clash.toMs) - x(clash.fromMs))}
					height="20"
					fill="var(--act)"
				/>
				{#if x(clash.toMs) - x(clash.fromMs) >= 14}
					<text
						x={(x(clash.fromMs) + x(clash.toMs)) / 2}
						y={y + 17}
						text-anchor="middle"
						class="clash">2</text
					>
				{/if}
			{/each}
		</g>
	{/each}
	<g>
		<text x="4" y={machinesTop + machines.length * MACHINE_HEIGHT + 17} class="name">Hands</text>
		{#each hands as block (block.fromMs)}
			{@const y = machinesTop + machines.length * MACHINE_HEIGHT}
			<rect
				x={x(block.fromMs)}
				y={y + 4}
				width={Math.max(1.5, x(block.toMs) - x(block.fromMs))}
				height="16"
				fill="var(--ink)"
			/>
			{#if block.pairs > 1 && x(block.toMs) - x(block.fromMs) >= 9}
				<text
					x={(x(block.fromMs) + x(block.toMs)) / 2}
					y={y + 16}
					text-anchor="middle"
					class="pairs">{block.pairs}</text
				>
			{/if}
		{/each}
	</g>

	{#if nowShown !== null}
		<line
			x1={x(nowShown)}
			x2={x(nowShown)}
			y1={TOP - 8}
			y2={height}
			stroke="var(--ink)"
			stroke-width="3"
		/>
		<rect x={x(nowShown) - 22} y={TOP - 25} width="44" height="18" fill="var(--ink)" />
		<text x={x(nowShown)} y={TOP - 11} text-anchor="middle" class="now"
			>{clockText(nowShown, zone)}</text
		>
	{/if}
</svg>

<style>
	svg {
		display: block;
		max-width: 100%;
	}
	text {
		fill: var(--ink);
		font-size: 13px;
	}
	.hour {
		fill: var(--ink-2);
	}
	.hour.strong {
		font-weight: 700;
		fill: var(--ink);
	}
	.day,
	.note {
		fill: var(--ink-2);
		font-size: 12px;
	}
	.name {
		font-size: 14px;
		font-weight: 700;
	}
	.clash {
		fill: var(--act-ink);
		font-weight: 700;
	}
	.pairs {
		fill: var(--sheet);
		font-size: 11px;
		font-weight: 700;
	}
	.now {
		fill: var(--sheet);
		font-weight: 700;
	}
</style>
