import { Problem } from '../api/client';

/** What is to become of something that is there under the same name. */
export type As = 'both' | 'replace';

/** A question that waits for its answer: what is brought in has a name that is there already. */
class Taken {
    question = $state('');
    private answer: (as: As | null) => void = () => {};

    /** Brings something in; where its name is there, asks first. Null where the person would rather not. */
    async bring<T>(send: (as?: As) => Promise<T>): Promise<T | null> {
        try {
            return await send();
        } catch (e) {
            if (!(e instanceof Problem) || !e.taken) throw e;
            const as = await this.ask(e.message);
            return as === null ? null : send(as);
        }
    }

    ask(question: string): Promise<As | null> {
        this.reply(null);
        this.question = question;
        return new Promise((resolve) => (this.answer = resolve));
    }

    reply(as: As | null): void {
        this.question = '';
        this.answer(as);
        this.answer = () => {};
    }
}

export const taken = new Taken();
