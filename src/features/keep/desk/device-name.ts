const SYSTEMS: readonly [RegExp, string][] = [
  [/iPhone/, 'iPhone'],
  [/iPad/, 'iPad'],
  [/Android.*Mobile/, 'Android phone'],
  [/Android/, 'Android tablet'],
  [/Windows/, 'Windows computer'],
  [/Mac OS X/, 'Mac'],
  [/Linux|X11/, 'Linux computer'],
];

/**
 * How a device may be called, from what its browser says of it; a person can call it otherwise.
 *
 * @example deviceName('Mozilla/5.0 (X11; Linux x86_64) … Chrome/149 …') // 'Linux computer'
 */
export const deviceName = (agent: string): string => SYSTEMS.find(([sign]) => sign.test(agent))?.[1] ?? 'Computer';

export const thisDeviceName = (): string => deviceName(navigator.userAgent);
