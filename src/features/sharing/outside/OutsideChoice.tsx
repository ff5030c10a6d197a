import { Choices } from '../../gather/ask/Choices';
import { useOutsideLists } from './use-outside-lists';

const ALL = 'all of them';

interface OutsideChoiceProps {
  list: string | null;
  onChoose: (list: string | null) => void;
}

/** Chooses the outside list that is gathered from. */
export function OutsideChoice({ list, onChoose }: OutsideChoiceProps) {
  const names = useOutsideLists()?.map(({ name }) => name) ?? [];
  if (names.length === 0) return <p className="text-muted">No outside list is followed here yet.</p>;
  return (
    <Choices label="Of the lists" options={[ALL, ...names]} chosen={[list ?? ALL]} onChoose={(one) => onChoose(one === ALL ? null : one)} />
  );
}
