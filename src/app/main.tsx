import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { BrowserRouter } from 'react-router';
import { ServicesProvider } from '../features/session/services';
import '../ui/styles.css';
import { App } from './App';
import { start } from './start';

const root = document.getElementById('root');
if (!root) throw new Error('the page has no place for the application');

start()
  .then(({ services, state, firstOpening }) => {
    createRoot(root).render(
      <Provider store={state}>
        <ServicesProvider value={services}>
          <BrowserRouter>
            <App firstOpening={firstOpening} />
          </BrowserRouter>
        </ServicesProvider>
      </Provider>,
    );
  })
  .catch((error: unknown) => {
    root.textContent = `Recado cannot open its store in this browser: ${error instanceof Error ? error.message : String(error)}. A private window or blocked site data may be the reason.`;
  });
