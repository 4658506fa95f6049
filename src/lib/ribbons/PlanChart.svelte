<script lang="ts">
	import type { BakeDayInput, DayPlan } from '../core/planning/index.ts';
	import Ribbon from '../ui/ribbon/Ribbon.svelte';
	import { RIBBON_HEIGHT } from '../ui/ribbon/ribbon-height.ts';
	import { clockText, dayText } from '../wording/time-text.ts';
	import { InTurns } from '../ui/in-turns.svelte.ts';
	import HouseRows from './HouseRows.svelte';
	import { machineRows } from './machine-rows.ts';
	import { happenedRows, planRows, type Happened } from './plan-rows.ts';
	import { wholeOf, type TimeWindow } from './time-window.ts';

	interface Props {
		plan: DayPlan;
		input: BakeDayInput;
		zone: string;
		width: number;
		nowMs: number | null;
		selected: string | null;
		/** What is looked at; all of the plan where nothing is said. */
		window?: TimeWindow;
		onSelect?: (taskId: string) => void;
		/** A task is drawn to another time: while it is held, and when it is let go. */
		onDrag?: (taskId: string, toMs: number, letGo: boolean) => void;
		/** How much of the width the names take. */
		names?: number;
		/** What of the plan has happened; its ribbons are a night as it went then, without the house below. */
		happened?: Happened | null;
		/** Another plan of the same doughs: where it has hands and ovens is drawn under each ribbon. */
		against?: DayPlan | null;
	}
	let {
		plan,
		input,
		zone,
		width,
		nowMs,
		selected,
		window: looked,
		onSelect,
		onDrag,
		names = 150,
		happened = null,
		against = null
	}: Props = $props();

	const HOUR_MS = 3_600_000;
	const GRID_MS = 5 * 60_000;
	const TOP = 40;
	const MACHINE_HEIGHT = 26;
	const ROWS_PER_FRAME = 6;
	/** A hand that trembles does not move anything. */
	const LEAST_DRAG_PX = 5;
	const rows = $derived.by(() => {
		const own = planRows(plan, input);
		return happened ? happenedRows(own, happened) : own;
	});
	const house = $derived(happened ? [] : machineRows(plan, input));
	const linesOf = $derived.by(() => {
		if (!against) return {};
		return Object.fromEntries(
			planRows(against, input).map(({ key, segments }) => [
				key,
				segments.filter(({ texture }) => texture === 'hands' || texture === 'oven')
			])
		);
	});
	/** What is worked with is drawn by and by, ribbons first; a sheet to be printed stands at once. */
	const turns = new InTurns(() => (onSelect ? rows.length + house.length : 0), ROWS_PER_FRAME);
	const most = $derived(onSelect ? turns.drawn : Infinity);
	const range = $derived(looked ?? wholeOf(plan));
	const scale = $derived((width - names - 12) / (range.to - range.from));
	const x = $derived((ms: number) => names + (ms - range.from) * scale);
	const hours = $derived.by(() => {
		const all: number[] = [];
		const first = Math.ceil(range.from / HOUR_MS) * HOUR_MS;
		for (let ms = first; ms <= range.to; ms += HOUR_MS) all.push(ms);
		return all;
	});
	const everyHour = $derived(scale * HOUR_MS >= 26);
	const houseTop = $derived(TOP + rows.length * RIBBON_HEIGHT + 22);
	const height = $derived(
		house.length > 0
			? houseTop + house.length * MACHINE_HEIGHT + 6
			: TOP + rows.length * RIBBON_HEIGHT
	);
	const isMidnight = (ms: number) => clockText(ms, zone) === '00:00';
	/** How much the name of a day takes, in pixels. */
	const DAY_PX = 90;
	/** The day that the plan begins in is named where the next one's name does not lie over it. */
	const midnightIsFar = $derived.by(() => {
		const next = hours.find(isMidnight);
		return next === undefined || x(next) + 4 - x(hours[0] ?? next) >= DAY_PX;
	});
	const isLooked = (ms: number) => ms > range.from && ms < range.to;
	const nowShown = $derived(nowMs !== null && isLooked(nowMs) ? nowMs : null);
	const id = $props.id();

	let drag: { taskId: string; startMs: number; fromX: number; toMs: number | null } | null =
		$state.raw(null);
	/** A drag ends in a click too, which then chooses nothing. */
	let dragged = false;

	function grab(taskId: string, event: PointerEvent) {
		const task = plan.tasks.find((one) => one.id === taskId);
		if (!onDrag || !task || task.placedAs === null || event.button !== 0) return;
		dragged = false;
		drag = { taskId, startMs: task.startMs, fromX: event.clientX, toMs: null };
	}
	function move(event: PointerEvent) {
		if (!drag) return;
		const by = event.clientX - drag.fromX;
		if (drag.toMs === null && Math.abs(by) < LEAST_DRAG_PX) return;
		event.preventDefault();
		const toMs = drag.startMs + Math.round(by / scale / GRID_MS) * GRID_MS;
		if (toMs === drag.toMs) return;
		dragged = true;
		drag = { ...drag, toMs };
		onDrag?.(drag.taskId, toMs, false);
	}
	function letGo() {
		const held = drag;
		drag = null;
		if (held && held.toMs !== null) onDrag?.(held.taskId, held.toMs, true);
	}
	function select(taskId: string) {
		if (dragged) dragged = false;
		else onSelect?.(taskId);
	}
	const keyed = (key: string) => key.split('#')[0] ?? key;
</script>

<svelte:window onpointermove={move} onpointerup={letGo} onpointercancel={letGo} />

{#snippet axis()}
	{#each hours as ms, index (ms)}
		{@const midnight = isMidnight(ms)}
		{#if everyHour || index % 2 === 0}
			<text x={x(ms)} y={TOP - 12} text-anchor="middle" class="hour" class:strong={midnight}>
				{clockText(ms, zone).slice(0, 2)}
			</text>
		{/if}
		{#if midnight || (index === 0 && midnightIsFar)}
			<text x={midnight ? x(ms) + 4 : x(ms)} y={12} class="day">{dayText(ms, zone)}</text>
		{/if}
	{/each}
	{#if nowShown !== null}
		<rect x={x(nowShown) - 22} y={TOP - 25} width="44" height="18" fill="var(--ink)" />
		<text x={x(nowShown)} y={TOP - 11} text-anchor="middle" class="now"
			>{clockText(nowShown, zone)}</text
		>
	{/if}
	{#if drag && drag.toMs !== null}
		<text x={x(drag.toMs)} y={TOP - 11} text-anchor="middle" class="name"
			>{clockText(drag.toMs, zone)}</text
		>
	{/if}
{/snippet}

{#if onSelect}
	<!-- The hours stay in sight, however many ribbons there are. -->
	<svg class="axis" {width} height={TOP} viewBox="0 0 {width} {TOP}" aria-hidden="true">
		{@render axis()}
	</svg>
{/if}
<svg
	class={onSelect ? 'under-axis' : ''}
	{width}
	{height}
	viewBox="0 0 {width} {height}"
	role="img"
	class:held={drag?.toMs !== null && drag !== null}
	aria-label="Ribbons of every dough from {clockText(range.from, zone)} to {clockText(
		range.to,
		zone
	)}; the list beside says the same in words"
>
	<clipPath id="{id}-time">
		<rect x={names - 6} y="0" width={Math.max(0, width - names + 6)} {height} />
	</clipPath>
	{#each hours as ms (ms)}
		{@const midnight = isMidnight(ms)}
		<line
			x1={x(ms)}
			x2={x(ms)}
			y1={TOP - 6}
			y2={height}
			stroke={midnight ? 'var(--ink-2)' : 'var(--line)'}
			stroke-width={midnight ? 1.5 : 1}
		/>
	{/each}

	{@render axis()}

	{#each rows.slice(0, most) as row, index (row.key)}
		<g transform="translate(0 {TOP + index * RIBBON_HEIGHT})" data-row={row.title}>
			<text x="4" y="15" class="name">{row.title}</text>
			<text x="4" y="31" class="note">{row.subtitle}</text>
			<g clip-path="url(#{id}-time)">
				{#each linesOf[row.key] ?? [] as line, at (at)}
					<rect
						x={x(line.fromMs)}
						y="36"
						width={Math.max(1.5, x(line.toMs) - x(line.fromMs))}
						height="4"
						fill="var(--ink-2)"
						data-planned={line.taskId}
					/>
				{/each}
				<Ribbon
					id="{id}-{index}"
					segments={row.segments
						.map((segment, at) => ({ ...segment, key: `${segment.taskId}#${at}` }))
						.filter(({ fromMs, toMs }) => toMs > range.from && fromMs < range.to)
						.map(({ key, fromMs, toMs, texture, lane, celsius, measured = false }) => ({
							key,
							fromX: x(fromMs),
							toX: x(toMs),
							texture,
							lane,
							celsius,
							measured
						}))}
					marks={row.marks
						.filter((mark) => isLooked(mark.ms))
						.map((mark, at) => ({ key: `${at}`, x: x(mark.ms), kind: mark.kind }))}
					pins={row.pinsMs.filter(isLooked).map(x)}
					selected={selected === null
						? null
						: (row.segments
								.map((segment, at) =>
									segment.taskId === selected ? `${segment.taskId}#${at}` : null
								)
								.find((found) => found !== null) ?? null)}
					{...onSelect ? { onSelect: (key: string) => select(keyed(key)) } : {}}
					{...onDrag
						? { onGrab: (key: string, event: PointerEvent) => grab(keyed(key), event) }
						: {}}
				/>
			</g>
		</g>
	{/each}

	{#if house.length > 0}
		<text x="4" y={houseTop - 6} class="note">
			{house.some(({ kind }) => kind === 'person') ? 'Hands, mixers and decks' : 'Mixers and decks'}
		</text>
	{/if}
	<HouseRows
		rows={house.slice(0, Math.max(0, most - rows.length))}
		{zone}
		{x}
		from={range.from}
		to={range.to}
		top={houseTop}
		height={MACHINE_HEIGHT}
		{selected}
		{...onSelect ? { onSelect: select } : {}}
		{...onDrag ? { onGrab: grab } : {}}
	/>

	{#if drag && drag.toMs !== null}
		<line
			x1={x(drag.toMs)}
			x2={x(drag.toMs)}
			y1={TOP - 8}
			y2={height}
			stroke="var(--ink)"
			stroke-dasharray="4 3"
			stroke-width="2"
		/>
	{/if}
	{#if nowShown !== null}
		<line
			x1={x(nowShown)}
			x2={x(nowShown)}
			y1={TOP - 8}
			y2={height}
			stroke="var(--ink)"
			stroke-width="3"
		/>
	{/if}
</svg>

<style>
	svg {
		display: block;
		max-width: 100%;
	}
	.axis {
		position: sticky;
		top: 0;
		z-index: 1;
		background: var(--ground);
	}
	/* The axis lies over that of the ribbons: as high as it is. */
	.under-axis {
		margin-top: -40px;
	}
	@media print {
		.axis {
			display: none;
		}
		.under-axis {
			margin-top: 0;
		}
	}
	.held {
		cursor: grabbing;
		user-select: none;
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
	.now {
		fill: var(--sheet);
		font-weight: 700;
	}
</style>
