<script lang="ts">
	import { useRoom } from '../../../client/room-context.ts';
	import {
		HANDS_ON_ACTIVITIES,
		layersAfter,
		WAIT_ACTIVITIES,
		type Step
	} from '../../../core/formula/index.ts';
	import { ACTIVITY_TEXT, stepText } from '../../../wording/step-text.ts';
	import { capital } from '../../../wording/capital.ts';
	import { layersText } from '../../../wording/layers-text.ts';
	import Choice from '../../../ui/Choice.svelte';
	import { beginStep, moved, without } from './step-list.ts';

	interface Props {
		steps: readonly Step[];
		title: string;
		onSet: (steps: readonly Step[]) => void;
	}
	let { steps, title, onSet }: Props = $props();
	const { bakery } = useRoom();
	/** The one step that is open: what edits it is fetched with it. */
	let open: number | null = $state(null);

	const named = (activities: readonly (keyof typeof ACTIVITY_TEXT)[], note: string) =>
		activities.map((activity) => ({ value: activity, label: ACTIVITY_TEXT[activity], note }));
	const ADDABLE = [
		...named(HANDS_ON_ACTIVITIES, 'hands on it'),
		...named(WAIT_ACTIVITIES, 'it waits'),
		{ value: 'bake', label: ACTIVITY_TEXT.bake, note: 'in the oven' }
	];

	const layers = $derived(
		layersAfter(
			steps.flatMap((step) =>
				step.kind === 'hands-on' && step.detail.kind === 'turn' ? [step.detail.turn] : []
			)
		)
	);
	const replace = (at: number, step: Step) =>
		onSet(steps.map((other, index) => (index === at ? step : other)));

	function move(at: number, by: -1 | 1) {
		onSet(moved(steps, at, by));
		open = null;
	}
	function remove(at: number) {
		onSet(without(steps, at));
		open = null;
	}
	function add(chosen: string) {
		const step = beginStep(chosen);
		if (!step) return;
		const at = steps.length;
		onSet([...steps, step]);
		open = at;
	}
</script>

<section class="mt-3 border border-line bg-sheet p-4" aria-label={title} data-steps>
	<h2 class="mb-1">{title}</h2>
	{#if layers}
		<p class="mb-2">
			{capital(layersText(layers))}, when the last turn is done. The rests in the cold between them
			are steps of their own.
		</p>
	{/if}
	{#if steps.length === 0}<p class="mb-2">There are no steps yet. Add the first one below.</p>{/if}
	<ol>
		{#each steps as step, at (at)}
			<li class="border-t border-line py-1">
				<div class="flex flex-wrap items-center gap-2">
					<span class="w-6 text-right font-bold">{at + 1}</span>
					<span class="flex-1 basis-64">{stepText(step, bakery.units)}</span>
					<button
						class="action-small"
						aria-expanded={open === at}
						aria-label="{open === at ? 'Close' : 'Change'} step {at + 1}"
						onclick={() => (open = open === at ? null : at)}
						>{open === at ? 'Close' : 'Change'}</button
					>
					<button
						class="action-small"
						disabled={at === 0}
						aria-label="Move step {at + 1} up"
						onclick={() => move(at, -1)}>Up</button
					>
					<button
						class="action-small"
						disabled={at === steps.length - 1}
						aria-label="Move step {at + 1} down"
						onclick={() => move(at, 1)}>Down</button
					>
					<button class="action-small" aria-label="Remove step {at + 1}" onclick={() => remove(at)}
						>Remove</button
					>
				</div>
				{#if open === at}
					<div class="my-2 ml-8 border-l-2 border-ink pl-4">
						{#if step.kind === 'hands-on'}
							{#await import('./HandsOnFields.svelte') then { default: HandsOnFields }}
								<HandsOnFields {step} onSet={(changed: Step) => replace(at, changed)} />
							{/await}
						{:else if step.kind === 'wait'}
							{#await import('./WaitFields.svelte') then { default: WaitFields }}
								<WaitFields {step} onSet={(changed: Step) => replace(at, changed)} />
							{/await}
						{:else}
							{#await import('./BakeFields.svelte') then { default: BakeFields }}
								<BakeFields {step} onSet={(changed: Step) => replace(at, changed)} />
							{/await}
						{/if}
					</div>
				{/if}
			</li>
		{/each}
	</ol>
	<div class="add mt-3 print:hidden">
		{#key steps.length}
			<Choice
				label="Step to add"
				placeholder="Add a step at the end"
				options={ADDABLE}
				value=""
				onSet={add}
			/>
		{/key}
	</div>
</section>

<style>
	.add {
		width: min(360px, 100%);
	}
</style>
