import { DEFAULT_SETTINGS, readSettings } from '../../../store/device/settings';
import { FIELDS } from './fields';

describe('what is drawn for the settings', () => {
  it('is there for each of them, in some order, under a name of its own', () => {
    expect(Object.keys(FIELDS).sort()).toEqual(Object.keys(DEFAULT_SETTINGS).sort());
    const labels = Object.values(FIELDS).flatMap((field) => ('label' in field ? [field.label] : []));
    expect(new Set(labels).size).toBe(labels.length);
  });

  it('offers only values that are kept, and what each setting is at first', () => {
    for (const [name, field] of Object.entries(FIELDS)) {
      if (field.is !== 'choice') continue;
      const values = field.options.map(([value]): unknown => value);
      for (const value of values) expect([name, readSettings({ [name]: value })]).toEqual([name, { ...DEFAULT_SETTINGS, [name]: value }]);
      expect(values).toContainEqual(DEFAULT_SETTINGS[name as keyof typeof DEFAULT_SETTINGS]);
    }
  });
});
