// Tests read all front matter from the start, as the command line does.
import { takeYaml } from './src/core/note/facts/front-matter';
import { readYaml } from './src/core/note/facts/yaml';

takeYaml(readYaml);
