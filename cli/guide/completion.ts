import { ACTIONS, COMMANDS, type CommandGuide } from './command-guides';
import { EVERYWHERE, OPTIONS, type OptionName, guideOf } from './options';

export type Shell = 'bash' | 'zsh' | 'fish';
export const SHELLS: readonly Shell[] = ['bash', 'zsh', 'fish'];

/** What a shell reads to complete commands, options and their values. */
export function completionFor(shell: Shell): string {
  return { bash, zsh, fish }[shell]();
}

const NAMES = COMMANDS.map(({ name }) => name).join(' ');
const dashed = (names: readonly OptionName[]): string => names.map((name) => `--${name}`).join(' ');
const optionsOf = ({ options }: CommandGuide): string => dashed([...options, ...EVERYWHERE]);
/** Options with few values, and those values. */
const chosen = (Object.keys(OPTIONS) as OptionName[]).flatMap((name) => {
  const { among } = guideOf(name);
  return among ? [[name, among.join(' ')] as const] : [];
});
const actions = ACTIONS.map(([word]) => word).join(' ');

function bash(): string {
  return `_recado() {
  local word="\${COMP_WORDS[COMP_CWORD]}" before="\${COMP_WORDS[COMP_CWORD-1]}" options=""
  COMPREPLY=()
  if [ "$COMP_CWORD" -eq 1 ]; then
    COMPREPLY=($(compgen -W "${NAMES}" -- "$word"))
    return
  fi
  case "$before" in
${chosen.map(([name, values]) => `    --${name}) COMPREPLY=($(compgen -W "${values}" -- "$word")); return ;;`).join('\n')}
  esac
  case "\${COMP_WORDS[1]}" in
    help) COMPREPLY=($(compgen -W "${NAMES}" -- "$word")); return ;;
    completion) COMPREPLY=($(compgen -W "${SHELLS.join(' ')}" -- "$word")); return ;;
${COMMANDS.map((one) => `    ${one.name}) options="${optionsOf(one)}" ;;`).join('\n')}
  esac
  case "$word" in
    -*) COMPREPLY=($(compgen -W "$options" -- "$word")) ;;
    *)
      COMPREPLY=($(compgen -f -- "$word"))
      if [ "\${COMP_WORDS[1]}" = act ]; then COMPREPLY+=($(compgen -W "${actions}" -- "$word")); fi
      ;;
  esac
}
complete -o filenames -F _recado recado
`;
}

function zsh(): string {
  return `#compdef recado
_recado() {
  local -a commands
  commands=(
${COMMANDS.map(({ name, says }) => `    ${quoted(`${name}:${says.replace(/:/g, '\\:')}`)}`).join('\n')}
  )
  if (( CURRENT == 2 )); then
    _describe command commands
    return
  fi
  case "$words[CURRENT-1]" in
${chosen.map(([name, values]) => `    --${name}) compadd ${values}; return ;;`).join('\n')}
  esac
  case "$words[2]" in
    help) _describe command commands; return ;;
    completion) compadd ${SHELLS.join(' ')}; return ;;
${COMMANDS.map((one) => `    ${one.name}) [[ "$PREFIX" == -* ]] && { compadd -- ${optionsOf(one)}; return; } ;;`).join('\n')}
  esac
  [[ "$words[2]" == act ]] && compadd ${actions}
  _files
}
compdef _recado recado
`;
}

function fish(): string {
  const told = (words: string): string => quoted(words);
  const lines = COMMANDS.flatMap(({ name, says, options }) => [
    `complete -c recado -n __fish_use_subcommand -f -a ${name} -d ${told(says)}`,
    ...options.map((one) => fishOption(one, `-n '__fish_seen_subcommand_from ${name}' `)),
  ]);
  return `${[
    ...lines,
    ...EVERYWHERE.map((one) => fishOption(one, '')),
    `complete -c recado -n '__fish_seen_subcommand_from act' -a '${actions}'`,
    `complete -c recado -n '__fish_seen_subcommand_from completion' -f -a '${SHELLS.join(' ')}'`,
    `complete -c recado -n '__fish_seen_subcommand_from help' -f -a '${NAMES}'`,
  ].join('\n')}\n`;
}

function fishOption(name: OptionName, when: string): string {
  const { value, says, among } = guideOf(name);
  return `complete -c recado ${when}-l ${name} -d ${quoted(says)}${value === null ? '' : ' -r'}${among ? ` -f -a '${among.join(' ')}'` : ''}`;
}

/** Between single quotes for a shell; its own are typographic already. */
const quoted = (words: string): string => `'${words.replaceAll("'", '’')}'`;
