import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { RoomSwitch } from './RoomSwitch';
import { UnitSwitch, Wordmark } from './head';

const PLACES = [
    { to: '/', label: 'Builds' },
    { to: '/drawer', label: 'Drawer' },
    { to: '/calculators', label: 'Calculators' },
    { to: '/trainer', label: 'Trainer' },
    { to: '/glossary', label: 'Glossary' },
] as const;

/** The frame around the pages that belong to no build. */
export function Plain({ title, children }: { title: string; children: ReactNode }) {
    return (
        <>
            <title>{title === '' ? 'Brookstone' : `${title} · Brookstone`}</title>
            <header className="flex h-12 items-center gap-4 border-b border-line bg-sheet px-4">
                <Wordmark />
                <nav aria-label="Brookstone" className="flex gap-1">
                    {PLACES.map((place) => (
                        <NavLink
                            key={place.to}
                            to={place.to}
                            end={place.to === '/'}
                            className={({ isActive }) => `px-2 py-1 hover:bg-well ${isActive ? 'font-semibold underline decoration-2 underline-offset-4' : ''}`}
                        >
                            {place.label}
                        </NavLink>
                    ))}
                </nav>
                <span className="flex-1" />
                <UnitSwitch />
                <RoomSwitch />
            </header>
            {children}
        </>
    );
}
