/** The pictures among what was pasted, dropped or chosen, by what their files claim. */
export const picturesAmong = (files: Iterable<File> | null | undefined): File[] =>
  [...(files ?? [])].filter(({ type, name }) => type.startsWith('image/') || /\.(?:png|jpe?g|gif|webp|avif|svg)$/i.test(name));
