<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import { STARTERS, type StarterKey } from '../../contracts/starters.ts';
	import { id, type FormulaId, type ProductId } from '../../core/identity.ts';
	import { STARTER_TEXT } from '../../wording/starter-text.ts';

	interface Props {
		date: string;
	}
	let { date }: Props = $props();
	const room = useRoom();
	const sending = new Sending(room.retries);
	/** One identity for one beginning, so that asking twice makes one. */
	const ids = new Map(
		STARTERS.map((starter) => [
			starter,
			{
				formulaId: id<FormulaId>(crypto.randomUUID()),
				productId: id<ProductId>(crypto.randomUUID())
			}
		])
	);

	async function begin(starter: StarterKey) {
		const made = ids.get(starter);
		if (!made) return;
		const { dough, product } = STARTER_TEXT[starter];
		await sending.send(
			{
				kind: 'begin-starter',
				occurredAtMs: Math.round(room.now.epochMs),
				starter,
				...made,
				name: dough,
				productName: product
			},
			async ({ outcome }) => {
				if (outcome !== 'done') return;
				room.tell(`${dough} and ${product} stand in the book.`);
				await goto(resolve(`/bake/${date}/formulas/${made.formulaId}`));
			}
		);
	}
</script>

<ul>
	{#each STARTERS as starter (starter)}
		{@const { dough, product, about } = STARTER_TEXT[starter]}
		<li class="flex flex-wrap items-center gap-3 border-t border-line py-2" data-starter={starter}>
			<span class="min-w-0 flex-1 basis-60"
				><b>{dough}</b>, {product.toLowerCase()}
				<span class="block text-note text-ink-2">{about}</span></span
			>
			<button
				class="action-lesser"
				aria-label="Begin with it: {dough}"
				disabled={sending.busy}
				onclick={() => begin(starter)}>Begin with it</button
			>
		</li>
	{/each}
</ul>
{#if sending.message}<p role="alert">{sending.message}</p>{/if}
