<script lang="ts">
	import SignInRoom from '$lib/features/doors/SignInRoom.svelte';
	import type { PageProps } from './$types';

	let { data, form }: PageProps = $props();
</script>

<SignInRoom to={data.to} demo={data.demo} problem={form?.problem ?? null} name={form?.name ?? ''} />
