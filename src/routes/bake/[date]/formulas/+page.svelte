<script lang="ts">
	import EmptyBook from '$lib/features/formulas/EmptyBook.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<EmptyBook date={data.date} book={data.book} />
