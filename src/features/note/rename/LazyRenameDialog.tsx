import { late } from '../../../ui/late';

/** The dialog of a new name, loaded when it is asked for. */
export const LazyRenameDialog = late(() => import('./RenameDialog').then((part) => part.RenameDialog));
