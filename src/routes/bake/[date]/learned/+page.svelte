<script lang="ts">
	import LearnedRoom from '$lib/features/learned/LearnedRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<LearnedRoom view={data} />
