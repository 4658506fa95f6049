<script lang="ts">
	import { tick, untrack } from 'svelte';
	import { SvelteSet } from 'svelte/reactivity';
	import Choice from '../../ui/Choice.svelte';
	import { useRoom } from '../../client/room-context.ts';
	import type { OrdersView } from '../../contracts/views.ts';
	import { sparePieces } from '../../core/production/index.ts';
	import { formatBulk, formatMass, formatNumber } from '../../core/units/index.ts';
	import { clockText } from '../../wording/time-text.ts';
	import type { OrdersModel } from './orders-model.svelte.ts';

	interface Props {
		view: OrdersView;
		model: OrdersModel;
	}
	let { view, model }: Props = $props();
	const { bakery } = useRoom();
	let table: HTMLTableElement;

	const piecesOf = (product: OrdersView['products'][number]) =>
		view.drops.reduce((total, drop) => total + model.pieces(product.id, drop.id), 0);
	/** Rows that stay while the page is open, so that none goes from under a hand when its last number is cleared. */
	const kept = new SvelteSet<string>();
	const ordered = () => view.products.filter((product) => piecesOf(product) > 0);
	untrack(() => {
		const begun = ordered();
		// On a date without orders every product is there to be typed into.
		for (const { id } of begun.length > 0 ? begun : view.products) kept.add(id);
	});
	const isShown = (product: OrdersView['products'][number]) =>
		kept.has(product.id) ||
		piecesOf(product) > 0 ||
		model.unsaved.some((cell) => cell.productId === product.id);
	const rows = $derived(view.products.filter(isShown));
	const folded = $derived(view.products.filter((product) => !isShown(product)));

	function unfold(productId: string) {
		kept.add(productId);
		void tick().then(() => {
			const row = rows.findIndex((product) => product.id === productId);
			table.querySelector<HTMLInputElement>(`input[data-row="${row}"]`)?.focus();
		});
	}
	function foldAway() {
		kept.clear();
		for (const { id } of ordered()) kept.add(id);
	}
	const dropTotal = (drop: OrdersView['drops'][number]) =>
		view.products.reduce(
			(total, product) => {
				const count = model.pieces(product.id, drop.id);
				return { pieces: total.pieces + count, grams: total.grams + count * product.scaledGrams };
			},
			{ pieces: 0, grams: 0 }
		);
	const all = $derived(
		view.drops
			.map(dropTotal)
			.reduce(
				(total, row) => ({ pieces: total.pieces + row.pieces, grams: total.grams + row.grams }),
				{ pieces: 0, grams: 0 }
			)
	);
	const bulk = (grams: number) => formatBulk({ grams }, bakery.units);

	const MOVES: Record<string, readonly [rows: number, columns: number]> = {
		ArrowUp: [-1, 0],
		ArrowDown: [1, 0],
		Enter: [1, 0],
		ArrowLeft: [0, -1],
		ArrowRight: [0, 1]
	};

	/** Arrows and Enter move over the grid; left and right only from the edge of what is typed. */
	function move(
		event: KeyboardEvent & { currentTarget: HTMLInputElement },
		row: number,
		column: number
	) {
		const input = event.currentTarget;
		const by = MOVES[event.key];
		if (event.key === 'Escape') {
			const product = rows[row];
			const drop = view.drops[column];
			if (product && drop) model.discard(product.id, drop.id);
			return;
		}
		if (!by) return;
		const { selectionStart: start, selectionEnd: end, value } = input;
		const whole = start === 0 && end === value.length;
		if (event.key === 'ArrowLeft' && !whole && start !== 0) return;
		if (event.key === 'ArrowRight' && !whole && end !== value.length) return;
		const next = table.querySelector<HTMLInputElement>(
			`input[data-row="${row + by[0]}"][data-column="${column + by[1]}"]`
		);
		event.preventDefault();
		if (next) {
			next.focus();
			next.select();
		} else input.blur();
	}
</script>

<div class="overflow-x-auto px-5">
	<table bind:this={table} class="orders">
		<caption class="sr-only">Pieces of each product for each drop</caption>
		<thead>
			<tr>
				<th scope="col">Product</th>
				{#each view.drops as drop (drop.id)}
					<th scope="col" class="number">
						{drop.name}<span class="block text-lead tabular-nums">{drop.dueTime}</span>
						{#if drop.readyByMs !== null}<span class="block text-note font-normal text-ink-2"
								>packed by {clockText(drop.readyByMs, bakery.timeZone)}</span
							>{/if}
						{#if drop.customers.length > 0}<span class="block text-note font-normal text-ink-2"
								>{drop.customers.join(', ')}</span
							>{/if}
					</th>
				{/each}
				<th scope="col" class="number">Pieces</th>
				<th scope="col" class="number">Dough in pieces</th>
			</tr>
		</thead>
		<tbody>
			{#each rows as product, row (product.id)}
				{@const pieces = piecesOf(product)}
				{@const spare = sparePieces(pieces, product.spares)}
				<tr>
					<th scope="row">
						{product.name}
						<span class="block text-note font-normal text-ink-2">
							{formatMass({ grams: product.scaledGrams }, 0, bakery.units)} · {product.doughName}
						</span>
					</th>
					{#each view.drops as drop, column (drop.id)}
						{@const cell = model.cell(product.id, drop.id)}
						<td class="number">
							<input
								name="{product.name}, {drop.name}, pieces"
								class="field cell"
								type="text"
								inputmode="numeric"
								autocomplete="off"
								aria-label="{product.name}, {drop.name}, pieces"
								aria-invalid={cell.state !== 'saved' && cell.state !== 'saving'}
								data-row={row}
								data-column={column}
								data-state={cell.state}
								placeholder="0"
								value={cell.text}
								oninput={(event) => model.type(product.id, drop.id, event.currentTarget.value)}
								onchange={() => model.commit(product.id, drop.id)}
								onfocus={(event) => event.currentTarget.select()}
								onkeydown={(event) => move(event, row, column)}
							/>
						</td>
					{/each}
					<td class="number" data-total-of={product.name}
						><b>{formatNumber(pieces, 0)}</b>{#if spare > 0}<span class="block text-note text-ink-2"
								>+{spare} spare</span
							>{/if}</td
					>
					<td class="number">{bulk(pieces * product.scaledGrams)}</td>
				</tr>
			{/each}
		</tbody>
		<tfoot>
			<tr>
				<th scope="row">All</th>
				{#each view.drops as drop (drop.id)}
					{@const total = dropTotal(drop)}
					<td class="number">
						<b>{formatNumber(total.pieces, 0)}</b>
						<span class="block text-note text-ink-2">{bulk(total.grams)}</span>
					</td>
				{/each}
				<td class="number"><b data-total-pieces>{formatNumber(all.pieces, 0)}</b></td>
				<td class="number"><b data-total-dough>{bulk(all.grams)}</b></td>
			</tr>
		</tfoot>
	</table>
</div>
<div class="mx-5 mt-4 flex flex-wrap items-end gap-x-6 gap-y-3" data-folded={folded.length}>
	{#if folded.length > 0}
		<div class="add">
			<p class="mb-1 font-bold">
				{folded.length === 1 ? 'One product has' : `${folded.length} products have`} no orders on this
				date
			</p>
			{#key folded.length}
				<Choice
					label="Order another product"
					placeholder="Order another product"
					options={folded.map(({ id, name, doughName }) => ({
						value: id,
						label: name,
						note: doughName
					}))}
					value=""
					onSet={unfold}
				/>
			{/key}
		</div>
		<button
			type="button"
			class="action-lesser"
			onclick={() => {
				for (const { id } of folded) kept.add(id);
			}}>Show all of them</button
		>
	{:else if rows.length > ordered().length && ordered().length > 0}
		<button type="button" class="action-lesser" onclick={foldAway}
			>Fold away the products without orders</button
		>
	{/if}
</div>

<style>
	.add {
		width: min(360px, 100%);
	}
	.orders {
		width: 100%;
		border-collapse: collapse;
		background: var(--sheet);
	}
	th,
	td {
		padding: 8px 12px;
		border-bottom: 1px solid var(--line);
		text-align: left;
		vertical-align: middle;
	}
	thead th {
		vertical-align: bottom;
		border-bottom: 2px solid var(--ink);
	}
	tfoot th,
	tfoot td {
		border-top: 2px solid var(--ink);
		border-bottom: 0;
	}
	.number {
		text-align: right;
		white-space: nowrap;
		font-size: 19px;
	}
	thead .number {
		font-size: 15px;
	}
	.cell {
		width: 88px;
		text-align: right;
		font-size: 19px;
		font-weight: 600;
	}
</style>
