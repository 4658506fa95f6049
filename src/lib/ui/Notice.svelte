<script lang="ts">
	interface Props {
		/** One or two words for what is the matter. */
		label: string;
		/** What it is about. */
		about: string;
		text: string;
	}
	let { label, about, text }: Props = $props();
</script>

<p class="mx-5 mb-3" role="alert">
	<span class="act-now px-2 py-1">{label}</span>
	<b>{about}:</b>
	{text}
</p>
