<script lang="ts">
	import { FileUpload } from '@skeletonlabs/skeleton-svelte';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import { MOST_PIECES } from '../../contracts/limits.ts';
	import type { DropId, ProductId } from '../../core/identity.ts';
	import type { OrderOfFile, OrderProblem, OrdersFailure } from '../../formats/orders-table.ts';
	import type { BakeDate } from '../../core/time/index.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import type { OrdersModel } from './orders-model.svelte.ts';

	interface Props {
		products: readonly { readonly id: ProductId; readonly name: string }[];
		drops: readonly { readonly id: DropId; readonly name: string }[];
		model: OrdersModel;
		/** The date whose numbers can be fetched as a file; null where they cannot. */
		date: BakeDate | null;
	}
	let { products, drops, model, date }: Props = $props();
	const room = useRoom();

	let read = $state.raw<{
		readonly name: string;
		readonly orders: readonly OrderOfFile[];
		readonly problems: readonly OrderProblem[];
	} | null>(null);
	let message = $state('');
	/** The same file can be chosen again, once it was mended. */
	let opened = $state(0);
	/** Problems beyond these are counted. */
	const MOST_TOLD = 12;

	const nameIn = (all: readonly { readonly id: string; readonly name: string }[], id: string) =>
		all.find((one) => one.id === id)?.name ?? '';
	const changes = $derived(
		read?.orders.flatMap((order) => {
			const [productId, dropId] = [order.productId as ProductId, order.dropId as DropId];
			const before = model.pieces(productId, dropId);
			return before === order.pieces ? [] : [{ ...order, productId, dropId, before }];
		}) ?? []
	);

	const same = $derived((read?.orders.length ?? 0) - changes.length);

	async function open(chosen: File | undefined) {
		read = null;
		message = '';
		if (!chosen) return;
		opened += 1;
		const { MOST_ORDERS_BYTES, readOrdersTable } = await import('../../formats/orders-table.ts');
		if (chosen.size > MOST_ORDERS_BYTES) {
			message = failureText(chosen.name, { kind: 'too-large', most: MOST_ORDERS_BYTES });
			return;
		}
		const found = readOrdersTable(await chosen.text(), products, drops, MOST_PIECES);
		if (found.ok) read = { name: chosen.name, ...found.value };
		else message = failureText(chosen.name, found.error);
	}
	function failureText(name: string, failure: OrdersFailure): string {
		switch (failure.kind) {
			case 'too-large':
				return `${name} is larger than orders of a date are: choose another file.`;
			case 'not-a-table':
				return `${name} is no table that can be read: line ${failure.line} has a quote that does not end. Save it as CSV once more.`;
			case 'no-columns':
				return `${name} has no orders in it. Its first line has to name Product and the drops, or Product, Drop and Pieces; it names ${failure.found.length === 0 ? 'nothing' : failure.found.slice(0, 6).join(', ')}.`;
		}
	}
	function problemText({ problem }: OrderProblem): string {
		switch (problem.kind) {
			case 'no-such-product':
				return `there is no product "${problem.name}" in the book`;
			case 'no-such-drop':
				return `no drop "${problem.name}" goes here`;
			case 'no-number':
				return `${problem.where}: ${parseFailureText(problem.reason)}`;
			case 'asked-twice':
				return `${problem.product}, ${problem.drop} stands in it twice; the first counts`;
		}
	}
	async function take() {
		const count = changes.length;
		await model.put(changes);
		if (model.unsaved.length > 0) return;
		room.tell(count === 1 ? 'One number is taken.' : `${count} numbers are taken.`);
		read = null;
	}
</script>

<details class="mx-5 my-4" data-orders-file>
	<summary class="min-h-11 cursor-pointer py-2 font-bold">As a table (CSV)</summary>
	{#if date}
		<p class="my-2">
			<a class="action-lesser no-underline!" href={resolve(`/bake/${date}/orders.csv`)} download
				>Save as a table</a
			>
		</p>
	{/if}
	<p class="text-note text-ink-2">
		A line for each product and a column for each drop, or lines of Product, Drop and Pieces.
		Nothing changes until you say so.
	</p>
	{#key opened}
		<FileUpload
			class="mt-2"
			accept={{ 'text/csv': ['.csv', '.tsv', '.txt'] }}
			maxFiles={1}
			onFileChange={({ acceptedFiles, rejectedFiles }) =>
				void open(acceptedFiles[0] ?? rejectedFiles[0]?.file)}
		>
			<FileUpload.Trigger class="action-lesser">Choose a table</FileUpload.Trigger>
			<FileUpload.HiddenInput aria-label="A table of orders" name="orders" />
		</FileUpload>
	{/key}
	{#if message}<p class="mt-2" role="alert">{message}</p>{/if}
	{#if read}
		<div class="mt-3 border-2 border-ink bg-sheet p-4" data-orders-preview>
			<p>
				<b>{read.name}:</b>
				{changes.length === 0
					? 'nothing in it is other than it stands.'
					: `${changes.length === 1 ? 'one number changes' : `${changes.length} numbers change`}, ${same === 1 ? 'one stands' : `${same} stand`} so already.`}
			</p>
			{#if read.problems.length > 0}
				<ul class="my-2" data-orders-problems>
					{#each read.problems.slice(0, MOST_TOLD) as one, at (at)}
						<li>
							<span class="act-now px-2">Line {one.line}</span>
							{problemText(one).replace(/\.$/, '')}.
						</li>
					{/each}
					{#if read.problems.length > MOST_TOLD}
						<li>And {read.problems.length - MOST_TOLD} more.</li>
					{/if}
				</ul>
			{/if}
			<ul class="my-2 columns-2">
				{#each changes as change (change.productId + change.dropId)}
					<li>
						{nameIn(products, change.productId)}, {nameIn(drops, change.dropId)}:
						<b class="tabular-nums">{change.before} → {change.pieces}</b>
					</li>
				{/each}
			</ul>
			<div class="flex flex-wrap gap-3">
				{#if changes.length > 0}
					<button class="action" onclick={take}
						>{read.problems.length > 0
							? `Take the ${changes.length === 1 ? 'one' : changes.length} that can be read`
							: changes.length === 1
								? 'Take it'
								: `Take all ${changes.length}`}</button
					>
				{/if}
				<button class="action-lesser" onclick={() => (read = null)}>Leave it</button>
			</div>
		</div>
	{/if}
</details>
