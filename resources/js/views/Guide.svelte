<script lang="ts">
    import html from '../../../docs/guide.md';
    import HelpPage from './guide/HelpPage.svelte';
</script>

<HelpPage {html} title="Guide" />
