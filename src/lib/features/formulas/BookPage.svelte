<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { BookList } from '../../contracts/views.ts';
	import BookNav from './BookNav.svelte';

	interface Props {
		date: string;
		book: BookList;
		shelf: 'formulas' | 'preparations' | 'products' | 'ingredients';
		current: string | null;
		children: Snippet;
	}
	let { date, book, shelf, current, children }: Props = $props();
</script>

<div class="page">
	<BookNav {date} {book} {shelf} {current} />
	<div class="min-w-0">{@render children()}</div>
</div>

<style>
	.page {
		display: grid;
		grid-template-columns: 200px minmax(0, 1fr);
		gap: 20px;
		padding: 0 20px 24px;
		align-items: start;
	}
	@media (max-width: 900px) {
		.page {
			grid-template-columns: 1fr;
		}
	}
	@media print {
		.page {
			display: block;
			padding: 0;
		}
	}
</style>
