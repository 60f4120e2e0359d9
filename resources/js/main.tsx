import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './App';
import { keepPresses } from './shell/pressing';
import { firstPages } from './shell/whenNeeded';
import { UnitsProvider } from './state/UnitsContext';

const queries = new QueryClient({ defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: true } } });

keepPresses(document);
void firstPages().then(() =>
    createRoot(document.getElementById('app')!).render(
        <StrictMode>
            <QueryClientProvider client={queries}>
                <UnitsProvider>
                    <App />
                </UnitsProvider>
            </QueryClientProvider>
        </StrictMode>,
    ),
);
