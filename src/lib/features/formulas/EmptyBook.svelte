<script lang="ts">
	import { resolve } from '$app/paths';
	import type { BookList } from '../../contracts/views.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import BookPage from './BookPage.svelte';

	interface Props {
		date: string;
		book: BookList;
	}
	let { date, book }: Props = $props();
	const ingredient = $derived(
		book.ingredients.find((ingredient) => !ingredient.retired)?.id ?? 'new'
	);
</script>

<RoomHeading
	sentence="There is no formula in the book yet."
	note="Give the first one a name, and begin it."
/>
<BookPage {date} {book} shelf="formulas" current={null}>
	<ol class="border border-line bg-sheet p-4 text-lead" data-empty-book>
		<li>
			<b>Ingredients first</b>, where yours are not there yet:
			<a href={resolve(`/bake/${date}/ingredients/${ingredient}`)}
				>{ingredient === 'new' ? 'write down the first' : `${book.ingredients.length} are there`}</a
			>.
		</li>
		<li>
			<b>Then the formula.</b> It begins with flour at 100, water, salt and a chain of steps; every number
			of it can be changed, and undone.
		</li>
		<li><b>Preparations and products</b> are added from the sheet once it stands.</li>
	</ol>
</BookPage>

<style>
	ol {
		list-style: decimal inside;
		display: grid;
		gap: 12px;
		max-width: 720px;
	}
</style>
