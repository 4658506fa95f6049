<script lang="ts">
	import MorningRoom from '$lib/features/morning/MorningRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<MorningRoom view={data.view} />
