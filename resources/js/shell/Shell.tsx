import { Keyboard, Redo2, Search, Undo2 } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { NavLink } from 'react-router';
import { useFieldError, TextInput } from '../fields/PlainFields';
import { useBuild } from '../state/BuildContext';
import { useSaving } from '../state/saving';
import { useUnitChoice } from '../state/units';
import { WalkBar } from '../walk/WalkBar';
import { JumpDialog } from './JumpDialog';
import { KeysDialog } from './KeysDialog';
import { RoomSwitch } from './RoomSwitch';
import { SavingNotice } from './SavingNotice';
import { UnitSwitch, Wordmark } from './head';
import { ToolButton } from './ToolButton';

/** The frame around every page of a build. */
export function Shell({ children }: { children: ReactNode }) {
    const { stored, saver } = useBuild();
    const [isJumping, setJumping] = useState(false);
    const [showsKeys, setShowsKeys] = useState(false);
    const nextUnits = useUnitChoice((state) => state.next);
    const nameError = useFieldError('name');
    useHotkeys('/', () => setJumping(true), { useKey: true, preventDefault: true });
    useHotkeys('?', () => setShowsKeys(true), { useKey: true, preventDefault: true });
    useHotkeys('u', nextUnits);
    useHotkeys('mod+z', () => stored.can_undo && saver.step('undo'), { preventDefault: true }, [stored, saver]);
    useHotkeys('mod+shift+z, mod+y', () => stored.can_redo && saver.step('redo'), { preventDefault: true }, [stored, saver]);
    const base = `/builds/${stored.id}`;
    return (
        <>
            <title>{`${stored.document.name} · Brookstone`}</title>
            <header className="flex min-h-12 flex-wrap items-center gap-x-2 border-b border-line bg-sheet px-3 pt-1 lg:flex-nowrap lg:pt-0 xl:gap-3 xl:px-4">
                <Wordmark />
                <span aria-hidden="true" className="text-quiet">
                    /
                </span>
                <TextInput
                    path="name"
                    value={stored.document.name}
                    label="Name of the build"
                    className={`w-36 min-w-20 border xl:w-56 bg-transparent px-1 py-0.5 text-[1.05rem] font-semibold hover:border-line focus:bg-well ${nameError === undefined ? 'border-transparent' : 'border-fails'}`}
                />
                {nameError !== undefined && (
                    <span role="alert" className="narrow text-fails">
                        {nameError}
                    </span>
                )}
                <nav
                    aria-label="Build"
                    className="order-last flex w-full flex-wrap gap-x-1 pb-1 lg:order-none lg:w-auto lg:flex-nowrap lg:gap-x-0 lg:pb-0 xl:gap-1"
                >
                    <Place to={base}>Chains</Place>
                    <Place to={`${base}/stage`}>Stage</Place>
                    <Place to={`${base}/wiring`}>Wiring</Place>
                    <Place to={`${base}/routines`}>Routines</Place>
                    <Place to={`${base}/rig`}>Rig</Place>
                    <Place to={`${base}/program`}>Program</Place>
                    <Place to={`${base}/plan`}>Plan</Place>
                    <Place to={`${base}/log`}>Log</Place>
                    <Place to={`${base}/pictures`}>Pictures</Place>
                    <Place to={`${base}/settings`}>Settings</Place>
                    <Place to="/drawer">Drawer</Place>
                </nav>
                <span className="flex-1" />
                <SavedSign />
                <ToolButton label="Undo" disabled={!stored.can_undo} onClick={() => saver.step('undo')}>
                    <Undo2 size={17} />
                </ToolButton>
                <ToolButton label="Redo" disabled={!stored.can_redo} onClick={() => saver.step('redo')}>
                    <Redo2 size={17} />
                </ToolButton>
                <UnitSwitch />
                <RoomSwitch />
                <ToolButton label="Go to anything" onClick={() => setJumping(true)}>
                    <Search size={17} /> <kbd className="key narrow hidden text-quiet xl:inline">/</kbd>
                </ToolButton>
                <ToolButton label="Keys" onClick={() => setShowsKeys(true)}>
                    <Keyboard size={17} /> <kbd className="key narrow hidden text-quiet xl:inline">?</kbd>
                </ToolButton>
            </header>
            <SavingNotice />
            <WalkBar />
            {children}
            <JumpDialog open={isJumping} onClose={() => setJumping(false)} />
            <KeysDialog open={showsKeys} onClose={() => setShowsKeys(false)} />
        </>
    );
}

function Place({ to, children }: { to: string; children: ReactNode }) {
    return (
        <NavLink
            end={!to.endsWith('routines') && !to.endsWith('pictures')}
            to={to}
            className={({ isActive }) =>
                `narrow px-1 py-1 hover:bg-well xl:px-2 xl:[font-stretch:100%] ${isActive ? 'font-semibold underline decoration-2 underline-offset-4' : ''}`
            }
        >
            {children}
        </NavLink>
    );
}

function SavedSign() {
    const status = useSaving((state) => state.status);
    const words = { saved: 'Saved', saving: 'Saving…', offline: 'Not saved', overtaken: 'Not saved', refused: 'Not saved' }[status];
    return (
        <span role="status" className={`narrow ${status === 'saved' || status === 'saving' ? 'text-quiet' : 'font-semibold text-fails'}`}>
            {words}
        </span>
    );
}
