import { Suspense } from 'react';
import { BrowserRouter, Navigate, Route, Routes, useLocation } from 'react-router';
import { ShelfPage } from './pages/ShelfPage';
import { Mishap } from './shell/Mishap';
import { NotThere } from './shell/NotThere';
import { whenNeeded } from './shell/whenNeeded';

// The shelf comes with the first page; the rest when it is asked for, or in a quiet moment before.
const OneBuild = whenNeeded('builds', () => import('./shell/OneBuild').then((module) => module.OneBuild));
const BuildPage = whenNeeded('builds', () => import('./pages/BuildPage').then((module) => module.BuildPage));
const CalculatorsPage = whenNeeded('calculators', () => import('./pages/CalculatorsPage').then((module) => module.CalculatorsPage));
const ComparePage = whenNeeded('compare', () => import('./pages/ComparePage').then((module) => module.ComparePage));
const DrawerPage = whenNeeded('drawer', () => import('./pages/DrawerPage').then((module) => module.DrawerPage));
const GlossaryPage = whenNeeded('glossary', () => import('./pages/GlossaryPage').then((module) => module.GlossaryPage));
const LogPage = whenNeeded('log', () => import('./pages/LogPage').then((module) => module.LogPage));
const MotionPage = whenNeeded('motions', () => import('./pages/MotionPage').then((module) => module.MotionPage));
const PicturesPage = whenNeeded('pictures', () => import('./pages/PicturesPage').then((module) => module.PicturesPage));
const ProgramPage = whenNeeded('program', () => import('./pages/ProgramPage').then((module) => module.ProgramPage));
const RigPage = whenNeeded('rig', () => import('./pages/RigPage').then((module) => module.RigPage));
const RoutinePage = whenNeeded('routines', () => import('./pages/RoutinePage').then((module) => module.RoutinePage));
const SettingsPage = whenNeeded('settings', () => import('./pages/SettingsPage').then((module) => module.SettingsPage));
const StagePage = whenNeeded('stage', () => import('./pages/StagePage').then((module) => module.StagePage));
const PlanPage = whenNeeded('plan', () => import('./pages/PlanPage').then((module) => module.PlanPage));
const PartsPage = whenNeeded('parts', () => import('./pages/PartsPage').then((module) => module.PartsPage));
const TestsPage = whenNeeded('tests', () => import('./pages/TestsPage').then((module) => module.TestsPage));
const SheetsPage = whenNeeded('sheets', () => import('./pages/SheetsPage').then((module) => module.SheetsPage));
const ServicePage = whenNeeded('service', () => import('./pages/ServicePage').then((module) => module.ServicePage));
const TrainerPage = whenNeeded('trainer', () => import('./pages/TrainerPage').then((module) => module.TrainerPage));
const WiringPage = whenNeeded('wiring', () => import('./pages/WiringPage').then((module) => module.WiringPage));

export function App() {
    return (
        // Pages change in the click itself: what is typed right after it is not typed on the page that goes.
        <BrowserRouter useTransitions={false}>
            <Pages />
        </BrowserRouter>
    );
}

function Pages() {
    const { pathname } = useLocation();
    return (
        <Mishap place={pathname}>
            <Suspense>
                <Routes>
                    <Route path="/" element={<ShelfPage />} />
                    <Route path="/drawer" element={<DrawerPage />} />
                    <Route path="/calculators/:name?" element={<CalculatorsPage />} />
                    <Route path="/glossary" element={<GlossaryPage />} />
                    <Route path="/trainer" element={<TrainerPage />} />
                    <Route path="/builds/:buildId" element={<OneBuild />}>
                        <Route index element={<BuildPage />} />
                        <Route path="motions/:motionId" element={<Navigate to="task" replace />} />
                        <Route path="motions/:motionId/:station" element={<MotionPage />} />
                        <Route path="routines/:routineId?" element={<RoutinePage />} />
                        <Route path="stage" element={<StagePage />} />
                        <Route path="wiring" element={<WiringPage />} />
                        <Route path="program" element={<ProgramPage />} />
                        <Route path="rig" element={<RigPage />} />
                        <Route path="settings" element={<SettingsPage />} />
                        <Route path="plan" element={<PlanPage />} />
                        <Route path="parts" element={<PartsPage />} />
                        <Route path="tests" element={<TestsPage />} />
                        <Route path="service" element={<ServicePage />} />
                        <Route path="sheets" element={<SheetsPage />} />
                        <Route path="compare" element={<ComparePage />} />
                        <Route path="log" element={<LogPage />} />
                        <Route path="pictures/:pictureId?" element={<PicturesPage />} />
                    </Route>
                    <Route path="*" element={<NotThere what="There is no such page." />} />
                </Routes>
            </Suspense>
        </Mishap>
    );
}
