import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { say } from './messages';
import { frameSlice } from '../state/frame-slice';
import { useAppDispatch, useAppSelector } from '../state/state';

/** Shows what the background has to say: what warns stays until it is closed or followed. */
export function Notices() {
  const notices = useAppSelector((state) => state.frame.notices);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  useEffect(() => {
    if (notices.length === 0) return;
    for (const { words, warns, leads } of notices) {
      const action = leads && { action: { words: leads.words, act: () => void navigate(leads.address) } };
      say(words, { id: words, is: warns ? 'warning' : 'told', lasts: warns ? 20_000 : 8000, ...action });
    }
    dispatch(frameSlice.actions.noticesShown());
  }, [notices, dispatch, navigate]);
  return null;
}
