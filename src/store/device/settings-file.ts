/** The file of an export that holds the settings. */
export const SETTINGS_FILE = 'recado-settings.json';
