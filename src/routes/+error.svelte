<script lang="ts">
	import { page } from '$app/state';
</script>

<section class="m-8 max-w-2xl border-2 border-ink bg-sheet p-8">
	<h1>
		{page.status === 503
			? 'Not reachable right now'
			: page.status === 404
				? 'Not found'
				: 'It did not work'}
	</h1>
	<p class="mt-3 text-lead" role="alert">{page.error?.message}</p>
	<p class="mt-6 flex gap-3">
		{#if page.error?.next}
			<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- the server gives an address of this site -->
			<a class="action no-underline!" href={page.error.next.href}>{page.error.next.label}</a>
		{:else}
			<button class="action" onclick={() => location.reload()}>Reload the page</button>
		{/if}
	</p>
</section>
