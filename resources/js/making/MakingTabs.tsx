import { NavLink } from 'react-router';
import { useBuild } from '../state/BuildContext';

const PAGES = [
    { to: 'plan', label: 'Plan' },
    { to: 'parts', label: 'Parts' },
    { to: 'tests', label: 'Bench tests' },
    { to: 'service', label: 'Service' },
    { to: 'sheets', label: 'Sheets' },
];

/** The pages of how a build is made and kept alive. */
export function MakingTabs() {
    const { stored } = useBuild();
    return (
        <nav aria-label="Making" className="mb-4 flex gap-1 border-b border-line">
            {PAGES.map((page) => (
                <NavLink
                    key={page.to}
                    to={`/builds/${stored.id}/${page.to}`}
                    className={({ isActive }) =>
                        `px-3 py-1.5 ${isActive ? 'border border-b-0 border-line bg-sheet font-semibold' : 'border border-transparent hover:bg-well'}`
                    }
                >
                    {page.label}
                </NavLink>
            ))}
        </nav>
    );
}
