import { BrowserRouter, Navigate, Outlet, Route, Routes } from 'react-router';
import { BuildPage } from './pages/BuildPage';
import { CalculatorsPage } from './pages/CalculatorsPage';
import { DrawerPage } from './pages/DrawerPage';
import { LogPage } from './pages/LogPage';
import { MotionPage } from './pages/MotionPage';
import { PicturesPage } from './pages/PicturesPage';
import { RigPage } from './pages/RigPage';
import { RoutinePage } from './pages/RoutinePage';
import { ShelfPage } from './pages/ShelfPage';
import { NotThere } from './shell/NotThere';
import { Shell } from './shell/Shell';
import { BuildProvider } from './state/BuildContext';

function OneBuild() {
    return (
        <BuildProvider>
            <Shell>
                <Outlet />
            </Shell>
        </BuildProvider>
    );
}

export function App() {
    return (
        // Pages change in the click itself: what is typed right after it is not typed on the page that goes.
        <BrowserRouter useTransitions={false}>
            <Routes>
                <Route path="/" element={<ShelfPage />} />
                <Route path="/drawer" element={<DrawerPage />} />
                <Route path="/calculators/:name?" element={<CalculatorsPage />} />
                <Route path="/builds/:buildId" element={<OneBuild />}>
                    <Route index element={<BuildPage />} />
                    <Route path="motions/:motionId" element={<Navigate to="task" replace />} />
                    <Route path="motions/:motionId/:station" element={<MotionPage />} />
                    <Route path="routines/:routineId?" element={<RoutinePage />} />
                    <Route path="rig" element={<RigPage />} />
                    <Route path="log" element={<LogPage />} />
                    <Route path="pictures/:pictureId?" element={<PicturesPage />} />
                </Route>
                <Route path="*" element={<NotThere what="There is no such page." />} />
            </Routes>
        </BrowserRouter>
    );
}
