<script lang="ts">
	import LetInRoom from '$lib/features/doors/LetInRoom.svelte';
	import type { PageProps } from './$types';

	let { data, form }: PageProps = $props();
</script>

<LetInRoom owner={data.owner} problem={form?.problem ?? null} />
