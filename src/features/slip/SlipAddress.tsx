import { useEffect } from 'react';
import { Navigate } from 'react-router';
import { ROUTES, useParameter } from '../session/places/routes';
import { frameSlice } from '../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../session/state/state';
import { useSlipNotes } from './use-slip-commands';

/** `/slip?text=…&slip=…`: the slip, filled in and shown, never stored unseen; behind it stands the first page. */
export function SlipAddress() {
  const dispatch = useAppDispatch();
  const text = useParameter('text') ?? '';
  const named = useParameter('slip');
  const slips = useSlipNotes();
  const isReady = useAppSelector((state) => state.library.overview !== null);
  const own = slips.find(({ path, title }) => named !== null && (path === named || title.toLowerCase() === named.toLowerCase()));
  useEffect(() => {
    if (!isReady) return;
    dispatch(frameSlice.actions.dialogShown({ is: 'slip', typed: text, ...(own && { slip: own.path }) }));
  }, [dispatch, isReady, text, own]);
  return isReady ? <Navigate replace to={ROUTES.first} /> : null;
}
