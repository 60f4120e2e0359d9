import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { linkPath, LINKS } from './links';

/** The keys 1, 2, 3 … go to the links of a motion. */
export function useLinkKeys(build: string, motion: string | undefined) {
    const navigate = useNavigate();
    useHotkeys(
        LINKS.map((_, i) => String(i + 1)).join(','),
        (event) => void (motion !== undefined && navigate(linkPath(build, motion, LINKS[Number(event.key) - 1]!))),
        { useKey: true },
        [build, motion],
    );
}
