<script lang="ts">
	import { Steps } from '@skeletonlabs/skeleton-svelte';
	import { resolve } from '$app/paths';
	import { nextStep, type FirstStep, type FirstStepKey } from '../../core/bakery/index.ts';

	interface Props {
		date: string;
		steps: readonly FirstStep[];
	}
	let { date, steps }: Props = $props();
	const next = $derived(nextStep(steps));

	/** What each step asks for, what it makes possible at once, and where it is done. */
	const TEXT = $derived<
		Readonly<
			Record<
				FirstStepKey,
				{
					readonly what: string;
					readonly makes: string;
					readonly href: string;
					readonly go: string;
				}
			>
		>
	>({
		bakery: {
			what: 'The bakery',
			makes: 'its name, clock, money and units stand on every page',
			href: resolve(`/bake/${date}/bakery`) + '#settings',
			go: 'Change it'
		},
		people: {
			what: 'Who works when',
			makes: 'the plan tells where hands are short',
			href: resolve(`/bake/${date}/bakery/people`),
			go: 'Enter shifts'
		},
		mixers: {
			what: 'A mixer',
			makes: 'mixes are sized to it; until then all is mixed by hand',
			href: resolve(`/bake/${date}/bakery/mixers`) + '?entry=new',
			go: 'Add a mixer'
		},
		ovens: {
			what: 'An oven with its decks',
			makes: 'loads are sized to them',
			href: resolve(`/bake/${date}/bakery/ovens`) + '?entry=new',
			go: 'Add an oven'
		},
		places: {
			what: 'Provers, fridges, cold rooms',
			makes: 'waits know how warm it is where they stand',
			href: resolve(`/bake/${date}/bakery/places`) + '?entry=new',
			go: 'Add a place'
		},
		drops: {
			what: 'A drop: when bread has to be where it is wanted',
			makes: 'orders can be typed for it',
			href: resolve(`/bake/${date}/bakery/drops`) + '?entry=new',
			go: 'Add a drop'
		},
		formula: {
			what: 'A first formula',
			makes: 'its water, weights and times are worked out',
			href: resolve(`/bake/${date}/formulas`),
			go: 'Begin a formula'
		},
		product: {
			what: 'A product made of it',
			makes: 'it stands on the orders, with its pieces and its bake',
			href: resolve(`/bake/${date}/products/new`),
			go: 'Begin a product'
		},
		orders: {
			what: 'Orders for this date',
			makes: 'doughs, mixes and weights follow',
			href: resolve(`/bake/${date}/orders`),
			go: 'Type the orders'
		},
		plan: {
			what: 'A plan',
			makes: 'the run sheet can be printed',
			href: resolve(`/bake/${date}/plan`),
			go: 'Look at the plan'
		}
	});
	/** The one that was chosen, or the next that is wanted. */
	let chosen: number | null = $state(null);
	const open = $derived(
		chosen ??
			Math.max(
				0,
				steps.findIndex(({ key }) => key === next)
			)
	);
	const done = $derived(steps.filter((step) => step.isDone).length);
</script>

{#snippet trigger(key: FirstStepKey, isDone: boolean, canWait: boolean)}
	<Steps.Trigger class="trigger" data-step={key}>
		<span class="state"
			>{isDone ? 'done' : key === next ? 'next' : canWait ? 'can wait' : 'to do'}</span
		>
		<b>{TEXT[key].what}</b>
	</Steps.Trigger>
{/snippet}

{#snippet way()}
	<Steps
		class="steps"
		orientation="vertical"
		count={steps.length}
		step={open}
		onStepChange={({ step }) => (chosen = step)}
	>
		<Steps.List class="list">
			{#each steps as { key, isDone, canWait }, index (key)}
				<Steps.Item {index}>
					{#snippet element(attributes)}
						<!-- Its trigger is the tab; what is around it is nothing to those who hear it. -->
						<div {...attributes} role="presentation" aria-current={undefined}>
							{@render trigger(key, isDone, canWait)}
						</div>
					{/snippet}
				</Steps.Item>
			{/each}
		</Steps.List>
		{#each steps as { key, canWait, isDone }, index (key)}
			<Steps.Content {index} class="content">
				<p class="text-lead font-bold">{TEXT[key].what}</p>
				<p class="my-2">Then {TEXT[key].makes}.</p>
				{#if canWait && !isDone}<p class="my-2 text-ink-2">This can wait.</p>{/if}
				<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- each was resolved above -->
				<a class="action no-underline!" href={TEXT[key].href} data-go={key}>{TEXT[key].go}</a>
			</Steps.Content>
		{/each}
	</Steps>
{/snippet}

<section class="card" aria-labelledby="first-steps" data-first-steps={next ?? 'done'}>
	<h2 id="first-steps">From nothing to the first plan</h2>
	<p class="text-ink-2">
		{done} of {steps.length} done. In any order; what can wait can be left out.
	</p>
	{#if next === null}
		<details>
			<summary class="min-h-11 cursor-pointer py-2">All steps, and where each is changed</summary>
			{@render way()}
		</details>
	{:else}
		{@render way()}
	{/if}
</section>

<style>
	.card {
		padding: 14px 18px;
		background: var(--sheet);
		border: 1px solid var(--line);
	}
	.card :global(.steps) {
		display: grid;
		grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
		gap: 16px;
		align-items: start;
		margin-top: 8px;
	}
	.card :global(.list) {
		display: block;
	}
	.card :global(.trigger) {
		display: grid;
		grid-template-columns: 76px minmax(0, 1fr);
		align-items: baseline;
		gap: 10px;
		width: 100%;
		min-height: 44px;
		padding: 9px 10px;
		border-top: 1px solid var(--line);
		text-align: left;
		cursor: pointer;
	}
	.state {
		font-weight: 400;
	}
	.card :global(.trigger[data-state='open']),
	.card :global(.trigger[aria-selected='true']) {
		background: var(--ink);
		color: var(--sheet);
	}
	.card :global(.content) {
		padding: 10px 12px;
		border: 2px solid var(--ink);
	}
	.card :global(.content[hidden]) {
		display: none;
	}
	@media (max-width: 700px) {
		.card :global(.steps) {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
