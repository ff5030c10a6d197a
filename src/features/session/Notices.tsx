import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { frameSlice } from './frame-slice';
import { useAppDispatch, useAppSelector } from './state';

/** Shows what the background has to say: what warns stays until it is closed or followed. */
export function Notices() {
  const notices = useAppSelector((state) => state.frame.notices);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  useEffect(() => {
    if (notices.length === 0) return;
    for (const { words, warns, leads } of notices) {
      const action = leads && { action: { label: leads.words, onClick: () => void navigate(leads.address) } };
      if (warns) toast.warning(words, { id: words, duration: 20_000, closeButton: true, ...action });
      else toast(words, { id: words, duration: 8000, ...action });
    }
    dispatch(frameSlice.actions.noticesShown());
  }, [notices, dispatch, navigate]);
  return null;
}
