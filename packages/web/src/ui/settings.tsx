/** What a person sets on this device: the unit of lengths, and light for the counter or the bay. */
import type { LengthUnit } from '@low-quarry/core/units';
import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from 'react';
import { readStored, writeStored } from '../device/stored';

type Light = 'counter' | 'bay';
type Settings = {
  readonly unit: LengthUnit;
  readonly light: Light;
  readonly setUnit: (unit: LengthUnit) => void;
  readonly setLight: (light: Light) => void;
};

const SettingsContext = createContext<Settings | null>(null);

export function SettingsProvider({ children }: { readonly children: ReactNode }) {
  const [unit, setUnit] = useState<LengthUnit>(readStored('unit') === 'in' ? 'in' : 'mm');
  const [light, setLight] = useState<Light>(readStored('light') === 'bay' ? 'bay' : 'counter');
  useEffect(() => {
    writeStored('unit', unit);
  }, [unit]);
  useEffect(() => {
    document.documentElement.dataset.light = light;
    writeStored('light', light);
  }, [light]);
  const value = useMemo(() => ({ unit, light, setUnit, setLight }), [unit, light]);
  return <SettingsContext value={value}>{children}</SettingsContext>;
}

export function useSettings(): Settings {
  const settings = useContext(SettingsContext);
  if (!settings) throw new Error('useSettings: expected to be inside SettingsProvider');
  return settings;
}
