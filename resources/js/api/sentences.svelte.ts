/** What is said on the line below, in the order of what was pressed. */
export abstract class Sentences {
    said = $state('');
    /** How often something was told: the same sentence twice is spoken twice. */
    told = $state(0);
    warnings = $state.raw<string[]>([]);
    trouble = $state('');
    /** The input that the sentence is of. */
    private input = 0;

    /** The input that is being worked on. */
    protected abstract get speaking(): number;

    /**
     * Puts a sentence on the line below, for the person to read and to hear. What a later key said stands; of an earlier one
     * only what went wrong is told beside it.
     */
    tell(said: string, warnings: string[] = [], trouble = '', input = this.speaking): void {
        if (input < this.input) {
            if (trouble !== '') this.trouble = trouble;
            if (warnings.length > 0) this.warnings = [...new Set([...this.warnings, ...warnings])];
            return;
        }
        this.input = input;
        this.said = said;
        this.told++;
        this.warnings = warnings;
        this.trouble = trouble;
    }
}
