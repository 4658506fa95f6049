<script lang="ts">
	import { resolve } from '$app/paths';
	import type { BookList } from '../../contracts/views.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import StarterList from './StarterList.svelte';
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
	note="Begin with a plain one, or with flour, water and salt."
/>
<BookPage {date} {book} shelf="formulas" current={null}>
	<section class="border border-line bg-sheet p-4" aria-labelledby="starters" data-empty-book>
		<h2 id="starters">Begin with a plain one</h2>
		<p class="text-ink-2">
			Doughs of ours, to be written over: each comes with its ingredients, its steps, and a product
			made of it.
		</p>
		<StarterList {date} />
	</section>
	<p class="mt-3">
		Or begin from flour, water and salt alone: give it a name in the list. Ingredients of your own
		are
		<a href={resolve(`/bake/${date}/ingredients/${ingredient}`)}
			>{ingredient === 'new'
				? 'written down here'
				: `among the ${book.ingredients.length} that are there`}</a
		>.
	</p>
</BookPage>
