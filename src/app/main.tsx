// Where everything is put together: services, store, router, root.
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router';
import { writeBookNow } from '../state/book/bookThunks';
import { createAppStore } from '../state/store';
import { themeChosen, type Theme } from '../state/view/viewSlice';
import '../ui/theme.css';
import { OpenBookCaches } from './OpenBookCaches';
import { createAppRouter } from './router';
import { createServices } from './services';

const services = createServices();
const store = createAppStore(services);

document.addEventListener('visibilitychange', () => {
  if (document.visibilityState === 'hidden') void store.dispatch(writeBookNow());
});
window.addEventListener('pagehide', () => void store.dispatch(writeBookNow()));
window.addEventListener('beforeunload', (event) => {
  if (!services.sessions.current?.losesWhenLeft) return;
  void store.dispatch(writeBookNow());
  event.preventDefault();
});

void services.repository.setting<Theme>('theme').then((theme) => theme && store.dispatch(themeChosen(theme)));
store.subscribe(() => {
  const { theme } = store.getState().view;
  if (document.documentElement.dataset.theme === theme) return;
  document.documentElement.dataset.theme = theme;
  void services.repository.keepSetting('theme', theme);
});

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Provider store={store}>
      <OpenBookCaches sessions={services.sessions}>
        <RouterProvider router={createAppRouter()} />
      </OpenBookCaches>
    </Provider>
  </StrictMode>,
);
