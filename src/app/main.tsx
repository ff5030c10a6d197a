import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { BrowserRouter } from 'react-router';
import { ServicesProvider } from '../features/session/state/services';
import { failureSentence } from '../store/notes/failure';
import '../ui/css/styles.css';
import { App } from './App';
import { start } from './start';

const root = document.getElementById('root');
if (!root) throw new Error('the page has no place for the application');

const place = root;

/** After so long without an answer of the store, in milliseconds, the person is told what may be the reason. */
const PATIENCE = 6000;

/** Says in the place of the page why there is none. */
function say(what: string, help: string): void {
  const heading = document.createElement('h1');
  heading.textContent = what;
  heading.className = 'font-title text-[1.4rem] font-bold';
  const words = document.createElement('p');
  words.textContent = help;
  const again = document.createElement('button');
  again.type = 'button';
  again.textContent = 'Try again';
  again.className = 'solid-button justify-self-start';
  again.onclick = () => location.reload();
  const message = document.createElement('main');
  message.className = 'mx-auto mt-[16vh] grid max-w-[36rem] gap-3 rounded-xl bg-sheet p-8';
  message.role = 'alert';
  message.append(heading, words, again);
  place.replaceChildren(message);
}

const waiting = setTimeout(
  () =>
    say(
      'The browser’s store does not answer',
      'Recado goes on waiting. Another tab of Recado, perhaps of an older version, may hold the store: close it, or restart the browser. Your notes are where they were.',
    ),
  PATIENCE,
);

function blocked(): void {
  clearTimeout(waiting);
  say(
    'Another tab holds an older Recado',
    'Close the other tabs of Recado: the store is brought to this version then, and the page goes on by itself. Your notes are where they were.',
  );
}

start(blocked)
  .then(({ services, state, opening }) => {
    clearTimeout(waiting);
    place.replaceChildren();
    createRoot(place).render(
      <Provider store={state}>
        <ServicesProvider value={services}>
          <BrowserRouter>
            <App opening={opening} />
          </BrowserRouter>
        </ServicesProvider>
      </Provider>,
    );
  })
  .catch((error: unknown) => {
    clearTimeout(waiting);
    say(
      'Recado cannot open its store in this browser',
      `${failureSentence(error)} A private window, blocked site data or a full disk may be the reason. Nothing was changed.`,
    );
  });
