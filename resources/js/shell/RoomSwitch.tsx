import { Moon, Sun, SunMoon } from 'lucide-react';
import { useHotkeys } from 'react-hotkeys-hook';
import { after, useRoom } from '../state/room';
import { ToolButton } from './ToolButton';

const ICONS = { system: SunMoon, dark: Moon, light: Sun };

const WORDS = { system: 'as the system has it', dark: 'dark', light: 'light' };

/** Light or dark room: as the system has it, or as chosen here. */
export function RoomSwitch() {
    const { room, next } = useRoom();
    useHotkeys('n', next);
    const Icon = ICONS[room];
    return (
        <ToolButton label={`Room: ${WORDS[room]}. Change to ${WORDS[after(room)]}`} onClick={next}>
            <Icon size={17} />
        </ToolButton>
    );
}
