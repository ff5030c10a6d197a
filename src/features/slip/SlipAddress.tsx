import { useEffect } from 'react';
import { Navigate } from 'react-router';
import { ROUTES, useParameter } from '../session/places/routes';
import { frameSlice } from '../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../session/state/state';
import { sharedWords } from './shared-words';
import { useSlipNotes } from './use-slip-commands';

/**
 * `/slip?text=…&slip=…`: the slip, filled in and shown, never stored unseen; behind it stands the first page. What another program shares
 * comes the same way, with `title` and `link`. Only a slip of one's own waits for the notes, which say what it is.
 */
export function SlipAddress() {
  const dispatch = useAppDispatch();
  const typed = sharedWords({ title: useParameter('title'), text: useParameter('text'), link: useParameter('link') });
  const named = useParameter('slip');
  const slips = useSlipNotes();
  const isReady = useAppSelector((state) => named === null || state.library.overview !== null);
  const own = slips.find(({ path, title }) => named !== null && (path === named || title.toLowerCase() === named.toLowerCase()));
  useEffect(() => {
    if (!isReady) return;
    // Without words, what was left unstored is there again.
    dispatch(frameSlice.actions.dialogShown({ is: 'slip', ...(typed !== '' && { typed }), ...(own && { slip: own.path }) }));
  }, [dispatch, isReady, typed, own]);
  return isReady ? <Navigate replace to={ROUTES.first} /> : null;
}
