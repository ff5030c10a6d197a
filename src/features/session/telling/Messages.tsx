import { useEffect } from 'react';
import { Toaster, toast } from 'sonner';
import { type Message, showMessages } from './messages';

/** Shows what is said in passing, in the lower corner. */
export default function Messages({ theme }: { theme: 'light' | 'dark' | 'system' }) {
  useEffect(() => showMessages({ said: show, unsaid: (id) => toast.dismiss(id) }), []);
  return <Toaster position="bottom-left" theme={theme} offset={{ bottom: 40, left: 16 }} mobileOffset={{ bottom: 84 }} visibleToasts={2} />;
}

function Choices({ id, choices }: { id: string; choices: NonNullable<Message['choices']> }) {
  return (
    <span className="mt-1 -ms-1.5 flex flex-wrap">
      {choices.map(({ words, act }) => (
        <button
          key={words}
          type="button"
          className="min-h-[26px] rounded-md px-1.5 font-semibold underline underline-offset-3"
          onClick={() => {
            toast.dismiss(id);
            act();
          }}
        >
          {words}
        </button>
      ))}
    </span>
  );
}

function show({ id, words, is, action, choices, lasts }: Message): void {
  const shown = {
    id,
    ...(action && { action: { label: action.words, onClick: action.act } }),
    ...(choices && { description: <Choices id={id} choices={choices} /> }),
    ...(lasts !== undefined && { duration: lasts }),
  };
  if (is === 'told') toast(words, shown);
  else if (is === 'refused') toast.error(words, shown);
  else if (is === 'working') toast.loading(words, shown);
  else toast.warning(words, { closeButton: true, ...shown });
}
