import { MoreMenu } from '../../../ui/menu/MoreMenu';
import { PinEntry } from './PinEntry';

/** The menu of a page that is no note: what can be done with it is to keep it at hand. */
export function PinHere({ title }: { title: string }) {
  return (
    <MoreMenu label="Actions for this page">
      <PinEntry title={title} />
    </MoreMenu>
  );
}
