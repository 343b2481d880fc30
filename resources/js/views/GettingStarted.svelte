<script lang="ts">
    import html from '../../../docs/getting-started.md';
    import HelpPage from './guide/HelpPage.svelte';
</script>

<HelpPage {html} title="Getting started" />
