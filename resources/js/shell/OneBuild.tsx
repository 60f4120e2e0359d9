import { Suspense } from 'react';
import { Outlet, useLocation } from 'react-router';
import { BuildProvider } from '../state/BuildContext';
import { Mishap } from './Mishap';
import { Shell } from './Shell';

/** One build: its document, the frame around its pages, and the page that is asked for. */
export function OneBuild() {
    const { pathname } = useLocation();
    return (
        <BuildProvider>
            <Shell>
                <Mishap place={pathname}>
                    <Suspense>
                        <Outlet />
                    </Suspense>
                </Mishap>
            </Shell>
        </BuildProvider>
    );
}
