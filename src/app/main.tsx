// Where everything is put together: services, store, router, root.
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router';
import { flushAutosave } from '../state/autosave';
import { createAppStore } from '../state/store';
import { themeChosen, type Theme } from '../state/viewSlice';
import { PageCacheContext, PictureCacheContext } from '../ui/pageView/pageCacheContext';
import '../ui/theme.css';
import { createAppRouter } from './router';
import { createServices } from './services';

const services = createServices();
const store = createAppStore(services);

document.addEventListener('visibilitychange', () => {
  if (document.visibilityState === 'hidden') void flushAutosave();
});
window.addEventListener('pagehide', () => void flushAutosave());

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
      <PageCacheContext value={services.pageCache}>
        <PictureCacheContext value={services.pictureCache}>
          <RouterProvider router={createAppRouter()} />
        </PictureCacheContext>
      </PageCacheContext>
    </Provider>
  </StrictMode>,
);
