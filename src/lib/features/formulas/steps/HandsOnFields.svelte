<script lang="ts">
	import {
		HANDS_ON_ACTIVITIES,
		MIXING_SPEEDS,
		TURNS,
		type HandsOnActivity,
		type HandsOnStep,
		type MixingStretch,
		type Turn
	} from '../../../core/formula/index.ts';
	import { SHEET_LIMITS } from '../../../contracts/sheet-limits.ts';
	import { ACTIVITY_TEXT, SPEED_TEXT, TURN_TEXT } from '../../../wording/step-text.ts';
	import NumberField from '../../../fields/NumberField.svelte';
	import TemperatureField from '../../../fields/TemperatureField.svelte';

	interface Props {
		step: HandsOnStep;
		onSet: (step: HandsOnStep) => void;
	}
	let { step, onSet }: Props = $props();
	const set = (change: Partial<HandsOnStep>) => onSet({ ...step, ...change });
	const stretches = $derived(step.detail.kind === 'mixing' ? step.detail.stretches : []);

	/** The mixer is held at least as long as it runs. */
	function setStretches(next: readonly MixingStretch[]) {
		const runs = next.reduce((total, stage) => total + stage.minutes, 0);
		set({
			detail: next.length > 0 ? { kind: 'mixing', stretches: next } : { kind: 'none' },
			fixedMinutes: Math.max(step.fixedMinutes, Math.ceil(runs))
		});
	}
	function setStretch(at: number, change: Partial<MixingStretch>) {
		setStretches(
			stretches.map((stretch, index) => (index === at ? { ...stretch, ...change } : stretch))
		);
	}
	function setTurn(change: { readonly turn?: Turn; readonly rolledToMm?: number | undefined }) {
		const before = step.detail.kind === 'turn' ? step.detail : { turn: 'single' as const };
		const { turn, rolledToMm } = { ...before, ...change };
		set({ detail: { kind: 'turn', turn, ...(rolledToMm === undefined ? {} : { rolledToMm }) } });
	}
	function setActivity(activity: HandsOnActivity) {
		const same = step.detail.kind === (activity === 'laminate' ? 'turn' : 'mixing');
		const detail = same
			? step.detail
			: activity === 'laminate'
				? ({ kind: 'turn', turn: 'single' } as const)
				: ({ kind: 'none' } as const);
		set({
			activity,
			detail: activity === 'mix' || activity === 'laminate' ? detail : { kind: 'none' }
		});
	}
</script>

<div class="grid max-w-md gap-1">
	<label class="flex items-center justify-between gap-3">
		What is done
		<select
			name="activity"
			class="field"
			value={step.activity}
			onchange={(event) => setActivity(event.currentTarget.value as HandsOnActivity)}
		>
			{#each HANDS_ON_ACTIVITIES as activity (activity)}<option value={activity}
					>{ACTIVITY_TEXT[activity]}</option
				>{/each}
		</select>
	</label>
	{#if step.activity === 'laminate'}
		<label class="flex items-center justify-between gap-3">
			Turn
			<select
				name="kind"
				class="field"
				value={step.detail.kind === 'turn' ? step.detail.turn : 'single'}
				onchange={(event) => setTurn({ turn: event.currentTarget.value as Turn })}
			>
				{#each TURNS as turn (turn)}<option value={turn}>{TURN_TEXT[turn]}</option>{/each}
			</select>
		</label>
		<NumberField
			label={step.detail.kind === 'turn' && step.detail.turn.startsWith('lock-in')
				? 'Dough rolled for the fat to'
				: 'Rolled for the fold to'}
			value={step.detail.kind === 'turn' ? (step.detail.rolledToMm ?? null) : null}
			unit="mm"
			least={SHEET_LIMITS.turnMm.least}
			most={SHEET_LIMITS.turnMm.most}
			optional
			onSet={(mm: number | null) => setTurn({ rolledToMm: mm ?? undefined })}
		/>
	{/if}
	{#if step.activity === 'mix'}
		<label class="flex items-center gap-2">
			<input
				name="machine"
				type="checkbox"
				checked={step.machine === 'mixer'}
				onchange={(event) => set({ machine: event.currentTarget.checked ? 'mixer' : null })}
			/> on the mixer
		</label>
		{#each stretches as stretch, at (at)}
			<div class="flex flex-wrap items-center justify-end gap-2">
				<select
					name="Speed {at + 1}"
					class="field"
					aria-label="Speed {at + 1}"
					value={stretch.speed}
					onchange={(event) =>
						setStretch(at, { speed: event.currentTarget.value as MixingStretch['speed'] })}
				>
					{#each MIXING_SPEEDS as speed (speed)}<option value={speed}>{SPEED_TEXT[speed]}</option
						>{/each}
				</select>
				<NumberField
					bare
					label="Minutes at speed {at + 1}"
					value={stretch.minutes}
					unit="min"
					least={0.5}
					most={120}
					onSet={(minutes: number | null) => setStretch(at, { minutes: minutes ?? 1 })}
				/>
				<button
					class="action-small"
					aria-label="Remove speed {at + 1}"
					onclick={() => setStretches(stretches.filter((_, index) => index !== at))}>Remove</button
				>
			</div>
		{/each}
		<button
			class="action-small justify-self-end"
			disabled={stretches.length >= 12}
			onclick={() => setStretches([...stretches, { speed: 'slow', minutes: 4 }])}
			>Add a speed</button
		>
	{/if}
	<NumberField
		label="Time for all of it"
		value={step.fixedMinutes}
		unit="min"
		least={0}
		most={4320}
		onSet={(value: number | null) => set({ fixedMinutes: value ?? 0 })}
	/>
	<NumberField
		label="and for each piece"
		value={step.secondsPerPiece}
		unit="s"
		least={0}
		most={3600}
		onSet={(value: number | null) => set({ secondsPerPiece: value ?? 0 })}
	/>
	<TemperatureField
		label="Dough leaves it at (empty when it does not change it)"
		celsius={step.endsAtCelsius}
		least={-30}
		most={105}
		optional
		onSet={(value: number | null) => set({ endsAtCelsius: value })}
	/>
	{#if step.activity === 'mix' || step.activity === 'laminate' || step.activity === 'sheet'}
		<p class="text-note text-ink-2">
			Guards closed, hands and sleeves clear of anything that turns; lock out before cleaning. The
			maker’s manual and the site’s own rules come first.
		</p>
	{/if}
</div>
