import { type ComponentProps, Suspense, lazy } from 'react';

const RenameDialog = lazy(() => import('./RenameDialog').then((part) => ({ default: part.RenameDialog })));

/** The dialog of a new name, loaded when it is asked for. */
export function LazyRenameDialog(properties: ComponentProps<typeof RenameDialog>) {
  return (
    <Suspense>
      <RenameDialog {...properties} />
    </Suspense>
  );
}
