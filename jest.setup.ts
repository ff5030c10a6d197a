// Tests read all front matter from the start, as the command line does.
import { takeYaml } from './src/core/note/facts/front-matter';
import { readYaml } from './src/core/note/facts/yaml';

takeYaml(readYaml);

// A tab closes its channel with itself; Node waits for one that is open.
const Channel = globalThis.BroadcastChannel as (new (name: string) => BroadcastChannel & { unref: () => void }) | undefined;
if (Channel)
  globalThis.BroadcastChannel = class extends Channel {
    constructor(name: string) {
      super(name);
      this.unref();
    }
  };
