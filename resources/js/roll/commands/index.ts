import { harmony } from '../../harmony/commands';
import { keys, type Handler } from '../../keys/keys.svelte';
import { devices } from '../../sound/inputs/devices.svelte';
import { inputs } from '../../sound/inputs/inputs.svelte';
import { player } from '../../sound/inputs/player.svelte';
import { typing } from '../../sound/inputs/typing.svelte';
import { recorder } from '../../sound/recorder.svelte';
import { transport } from '../../sound/transport.svelte';
import type { RollModel } from '../roll-model.svelte';
import { copying } from './copying';
import { moving } from './moving';
import { playing } from './playing';
import { recording } from './recording';
import { seeing } from './seeing';
import { spans } from './span';
import { under } from './under';
import { writing } from './writing';

/** What the roll does when it is asked to; `cancel` drops what a press holds, and says whether it held anything. */
export function commandsOf(model: RollModel, cancel: () => boolean): Record<string, Handler> {
    return {
        ...moving(model),
        ...writing(model),
        ...copying(model),
        ...seeing(model, cancel),
        ...spans(model),
        ...playing(model),
        ...recording(model),
        ...harmony(model.song, model.part),
        ...under(model),
    };
}

/** What is played goes into this roll's part for as long as it is open. */
export function listen({ part, steps }: RollModel): () => void {
    inputs.part = part;
    const off = steps.start();
    keys.typist = {
        role: (code) => (typing.on ? typing.role(code) : null),
        down: (code, stamp) => typing.press(code, part.settings.penVelocity, stamp),
        up: (code, stamp) => typing.release(code, stamp),
        letGo: () => typing.letGo(),
    };
    if (typing.on || recorder.armed) void transport.standBy(part);
    void devices.recall();
    return () => {
        off();
        player.stop();
        recorder.stop();
        inputs.letAllGo();
        inputs.part = null;
        keys.typist = null;
    };
}
