<script lang="ts">
	import {
		BROUGHT,
		type BringInPlan,
		type Brought,
		type BroughtOne
	} from '../../formats/book/brought.ts';
	import { formatNumber } from '../../core/units/index.ts';
	import TextField from '../../fields/TextField.svelte';
	import type { BringInModel } from './bring-in-model.svelte.ts';

	interface Props {
		plan: BringInPlan;
		model: BringInModel;
	}
	let { plan, model }: Props = $props();

	const HEADINGS: Record<Brought, string> = {
		ingredients: 'Ingredients',
		preparations: 'Preparations',
		formulas: 'Formulas',
		products: 'Products'
	};
	/** Of each kind so many are listed; the rest is counted. */
	const MOST_LISTED = 60;
	const groups = $derived(
		BROUGHT.map((of) => {
			const all = plan.things.filter((thing) => thing.of === of);
			return {
				of,
				clashes: all.filter(({ becomes }) => becomes.kind === 'clash'),
				fresh: all.filter(({ becomes }) => becomes.kind === 'new'),
				stands: all.filter(({ becomes }) => becomes.kind === 'stands').length,
				bare: all.filter(({ becomes }) => becomes.kind === 'without-dough')
			};
		}).filter(
			({ clashes, fresh, stands, bare }) => clashes.length + fresh.length + stands + bare.length > 0
		)
	);
	const chosen = ({ becomes }: BroughtOne) => (becomes.kind === 'clash' ? becomes.chosen : 'ours');
	const asName = (one: BroughtOne) => {
		const choice = chosen(one);
		return typeof choice === 'object' ? choice.as : '';
	};
	function rename(one: BroughtOne, name: string) {
		if (name.trim() !== '') model.settle(one.of, one.key, { as: name.trim() });
	}
	const proposed = (one: BroughtOne) => (asName(one) === '' ? `${one.name} 2` : asName(one));
</script>

<section aria-labelledby="things" data-brought>
	<h2 id="things">What it brings</h2>
	{#each groups as { of, clashes, fresh, stands, bare } (of)}
		<h3 class="mt-3">
			{HEADINGS[of]}:
			{[
				fresh.length > 0 ? `${formatNumber(fresh.length, 0)} new` : '',
				clashes.length > 0 ? `${formatNumber(clashes.length, 0)} with a name of ours` : '',
				stands > 0 ? `${formatNumber(stands, 0)} in the book already` : ''
			]
				.filter((part) => part !== '')
				.join(', ')}
		</h3>
		<ul>
			{#each clashes.slice(0, MOST_LISTED) as one (one.key)}
				<li class="border-b border-line py-2" data-clash={one.name}>
					<p><b>{one.name}</b> is in the book and is made otherwise there.</p>
					<div
						class="flex flex-wrap gap-2 py-1"
						role="group"
						aria-label="What becomes of {one.name}"
					>
						<button
							type="button"
							class={typeof chosen(one) === 'object' ? 'action' : 'action-lesser'}
							aria-pressed={typeof chosen(one) === 'object'}
							onclick={() => model.settle(one.of, one.key, { as: proposed(one) })}
							>Under another name</button
						>
						<button
							type="button"
							class={chosen(one) === 'ours' ? 'action' : 'action-lesser'}
							aria-pressed={chosen(one) === 'ours'}
							onclick={() => model.settle(one.of, one.key, 'ours')}
							>{of === 'preparations' || of === 'formulas'
								? 'Ours in its place'
								: 'Keep ours'}</button
						>
					</div>
					{#if typeof chosen(one) === 'object'}
						<TextField
							label="Its name here"
							value={asName(one)}
							onSet={(name: string) => rename(one, name)}
						/>
					{/if}
				</li>
			{/each}
			{#each fresh.slice(0, MOST_LISTED) as one (one.key)}
				<li class="border-b border-line py-1" data-new={one.name}>{one.name}</li>
			{/each}
			{#each bare.slice(0, MOST_LISTED) as one (one.key)}
				<li class="border-b border-line py-1">
					<b>{one.name}</b> is left out: its dough is neither in the file nor in the book.
				</li>
			{/each}
			{#if fresh.length > MOST_LISTED}
				<li class="py-1">And {formatNumber(fresh.length - MOST_LISTED, 0)} more.</li>
			{/if}
		</ul>
	{/each}
</section>
