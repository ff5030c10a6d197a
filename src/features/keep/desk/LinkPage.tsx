import { useState } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { readLinkedDesk } from '../../../store/desk/linked-desk';
import { Sheet } from '../../note/page/Sheet';
import { say } from '../../session/telling/messages';
import { keepAddress, wordsOfLink } from '../../session/places/addresses';
import { useStepPlace } from '../folder/use-step-place';
import { LinkForm } from './LinkForm';
import { DESK } from './desk-values';

/** Links this device to a desk that others share, by words or by the code that was scanned. */
export function LinkPage() {
  const { hash } = useLocation();
  const navigate = useNavigate();
  const { place: linked } = useStepPlace(DESK, readLinkedDesk);
  const [done, setDone] = useState(false);
  return (
    <Sheet title="Link to a desk" busy={linked === 'unknown'}>
      <h1 className="mb-3 font-title text-[1.86rem] leading-tight font-bold">Link to a desk</h1>
      {linked !== null && linked !== 'unknown' && !done ? (
        <p>
          This device is linked to a desk already.{' '}
          <Link className="name-link" to={keepAddress()}>
            See it
          </Link>
        </p>
      ) : (
        <LinkForm
          words={wordsOfLink(hash)}
          onLinked={() => {
            setDone(true);
            say('This device is linked: the notes of the desk come in.');
            // The words in the address work no more, and are nobody’s business.
            void navigate(keepAddress(), { replace: true });
          }}
        />
      )}
    </Sheet>
  );
}
