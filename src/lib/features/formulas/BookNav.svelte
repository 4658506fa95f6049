<script lang="ts">
	import { resolve } from '$app/paths';
	import type { BookList } from '../../contracts/views.ts';
	import { PREPARATION_KIND_TEXT, INGREDIENT_KIND_TEXT } from '../../wording/kind-text.ts';
	import NewFormulaForm from './NewFormulaForm.svelte';

	interface Props {
		date: string;
		book: BookList;
		shelf: 'formulas' | 'preparations' | 'products' | 'ingredients';
		current: string | null;
	}
	let { date, book, shelf, current }: Props = $props();

	const SHELVES = [
		{ key: 'formulas', name: 'Formulas', one: 'formula' },
		{ key: 'preparations', name: 'Preparations', one: 'preparation' },
		{ key: 'products', name: 'Products', one: 'product' },
		{ key: 'ingredients', name: 'Ingredients', one: 'ingredient' }
	] as const;
	/** Beyond this a list is searched rather than read. */
	const SEARCH_FROM = 12;
	let search = $state('');

	const entries = $derived.by(() => {
		const notes = {
			formulas: () => book.formulas,
			preparations: () =>
				book.preparations.map((each) => ({ ...each, note: PREPARATION_KIND_TEXT[each.kind] })),
			products: () => book.products,
			ingredients: () =>
				book.ingredients.map((ingredient) => ({
					...ingredient,
					note: INGREDIENT_KIND_TEXT[ingredient.kind]
				}))
		};
		const wanted = search.trim().toLowerCase();
		return notes[shelf]()
			.filter((entry) => `${entry.name} ${entry.note}`.toLowerCase().includes(wanted))
			.sort((a, b) => Number(a.retired) - Number(b.retired));
	});
	const one = $derived(SHELVES.find((each) => each.key === shelf)?.one ?? '');
	/** The one that is open stands in sight, however long the list is. */
	function inSight(node: HTMLElement) {
		const list = node.closest('ul');
		if (list && node.getAttribute('aria-current') === 'page')
			list.scrollTop = node.offsetTop - list.offsetTop - list.clientHeight / 3;
	}
	const href = (key: (typeof SHELVES)[number]['key'], id: string) =>
		resolve(`/bake/${date}/${key}/${id}`);
</script>

<nav aria-label="The book" class="book print:hidden">
	<ul class="shelves">
		{#each SHELVES as each (each.key)}
			<li>
				<a
					href={each.key === 'formulas'
						? resolve(`/bake/${date}/formulas`)
						: href(each.key, book[each.key].find((entry) => !entry.retired)?.id ?? 'new')}
					aria-current={each.key === shelf ? 'true' : undefined}>{each.name}</a
				>
			</li>
		{/each}
	</ul>
	{#if book[shelf].length >= SEARCH_FROM}
		<input
			name="Search the list"
			class="field my-2 w-full"
			type="search"
			bind:value={search}
			aria-label="Search the list"
			placeholder="search {book[shelf].length}"
		/>
	{/if}
	<ul class="entries">
		{#each entries as entry (entry.id)}
			<li>
				<a
					class="entry"
					href={href(shelf, entry.id)}
					aria-current={entry.id === current ? 'page' : undefined}
					{@attach inSight}
				>
					<b>{entry.name}</b>
					<span class="block text-note">{entry.retired ? 'retired · ' : ''}{entry.note}</span>
				</a>
			</li>
		{:else}
			<li class="p-2">{search ? 'Nothing by that name.' : 'Nothing here yet.'}</li>
		{/each}
	</ul>
	{#if shelf === 'formulas'}
		<NewFormulaForm {date} />
		<a
			class="action-lesser mt-3 w-full no-underline!"
			href={resolve(`/bake/${date}/formulas/bring-in`)}>Bring in from a file</a
		>
		{#if entries.length > 0}
			<a
				class="action-lesser mt-3 w-full no-underline!"
				href={resolve(`/bake/${date}/formulas/book.json`)}
				download>Hand on all of it</a
			>
		{/if}
	{:else}
		<a class="action-lesser mt-3 w-full no-underline!" href={href(shelf, 'new')}>New {one}</a>
		<a
			class="action-lesser mt-3 w-full no-underline!"
			href={resolve(`/bake/${date}/formulas/bring-in`)}>Bring in from a file</a
		>
		{#if entries.length > 0}
			<a
				class="action-lesser mt-3 w-full no-underline!"
				href={resolve(`/bake/${date}/formulas/${shelf}.csv`)}
				download>Hand on as a table</a
			>
		{/if}
	{/if}
</nav>

<style>
	.shelves {
		display: grid;
		grid-template-columns: 1fr 1fr;
		border: 1px solid var(--line);
	}
	.shelves a {
		display: block;
		padding: 6px 8px;
		font-size: 13px;
		min-height: 32px;
	}
	.shelves a[aria-current] {
		font-weight: 700;
		text-decoration: underline;
		text-decoration-thickness: 2px;
		text-underline-offset: 4px;
	}
	@media (pointer: coarse) {
		.shelves a {
			display: grid;
			align-items: center;
			min-height: 44px;
		}
	}
	.entries {
		max-height: min(560px, 70vh);
		overflow-y: auto;
	}
	.entry {
		display: block;
		padding: 8px 10px;
		border-bottom: 1px solid var(--line);
		background: var(--sheet);
		overflow-wrap: anywhere;
	}
	.entry[aria-current] {
		background: var(--ink);
		color: var(--sheet);
	}
</style>
