import { execFileSync } from 'node:child_process';

/** Other tests may be installing something just now. */
const WAITS = '-o DPkg::Lock::Timeout=100';

/** A program of Debian, installed where that can be done; null where it cannot. */
export function debianProgram(program: string, pack: string): string | null {
  const find = (): string | null => {
    const script = `command -v ${program} || ls /usr/lib/postgresql/*/bin/${program} 2>/dev/null | tail -1`;
    return execFileSync('sh', ['-c', `${script}; true`], { encoding: 'utf8' }).trim() || null;
  };
  const present = find();
  if (present !== null || process.getuid?.() !== 0) return present;
  try {
    execFileSync(
      'sh',
      [
        '-c',
        `apt-get ${WAITS} install -y --no-install-recommends ${pack} || (apt-get ${WAITS} update && apt-get ${WAITS} install -y --no-install-recommends ${pack})`,
      ],
      {
        stdio: 'ignore',
        timeout: 120_000,
        env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      },
    );
  } catch {
    return null;
  }
  return find();
}
