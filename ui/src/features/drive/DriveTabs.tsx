import { Nav, NavItem } from '../../parts/ui';
import { say } from '../../words';

/** The ways into Drive. */
export function DriveTabs() {
  return (
    <Nav label={say('drive.waysToLookAtThe')} kind="tabs" className="noprint ml-auto flex-wrap">
      <NavItem kind="tabs" end to="/drive">
        {say('drive.table')}
      </NavItem>
      <NavItem kind="tabs" end to="/drive/guard">
        {say('drive.guard')}
      </NavItem>
      <NavItem kind="tabs" end to="/drive/sweep">
        {say('drive.sweep')}
      </NavItem>
      <NavItem kind="tabs" end to="/drive/chain">
        {say('shared.chain')}
      </NavItem>
      <NavItem kind="tabs" end to="/drive/matcher">
        {say('shared.matcher')}
      </NavItem>
      <NavItem kind="tabs" end to="/drive/alc">
        ALC
      </NavItem>
      <NavItem kind="tabs" end to="/drive/bias">
        {say('drive.bias')}
      </NavItem>
      <NavItem kind="tabs" end to="/drive/waveform">
        {say('drive.waveform')}
      </NavItem>
      <NavItem kind="tabs" end to="/drive/volts">
        {say('drive.supplyVolts')}
      </NavItem>
      <NavItem kind="tabs" end to="/drive/resonance">
        {say('drive.resonance')}
      </NavItem>
    </Nav>
  );
}
