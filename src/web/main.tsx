import '@fontsource/barlow/latin-400.css';
import '@fontsource/barlow/latin-500.css';
import '@fontsource/barlow/latin-600.css';
import '@fontsource/barlow-condensed/latin-600.css';
import '@fontsource/jetbrains-mono/latin-500.css';
import '@mantine/core/styles.css';
import './styles.css';
import './layout.css';
import { MantineProvider } from '@mantine/core';
import { setNonce } from 'get-nonce';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { router } from './router.tsx';
import { theme } from './theme.ts';

/** The server lets in the style sheets that carry the nonce of its page. */
const styleNonce = () => document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? '';

// Dialogs hold the page still by a style sheet of their own.
setNonce(styleNonce());

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <MantineProvider theme={theme} defaultColorScheme="auto" getStyleNonce={styleNonce}>
      <RouterProvider router={router} />
    </MantineProvider>
  </StrictMode>,
);
