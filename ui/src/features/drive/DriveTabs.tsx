import { Nav, NavItem } from '../../parts/ui';

/** The ways into Drive. */
export function DriveTabs() {
  return (
    <Nav label="Ways to look at the drive" kind="tabs" className="noprint ml-auto flex-wrap">
      <NavItem kind="tabs" end to="/drive">
        Table
      </NavItem>
      <NavItem kind="tabs" end to="/drive/guard">
        Guard
      </NavItem>
      <NavItem kind="tabs" end to="/drive/sweep">
        Sweep
      </NavItem>
      <NavItem kind="tabs" end to="/drive/chain">
        Chain
      </NavItem>
      <NavItem kind="tabs" end to="/drive/matcher">
        Matcher
      </NavItem>
      <NavItem kind="tabs" end to="/drive/alc">
        ALC
      </NavItem>
      <NavItem kind="tabs" end to="/drive/bias">
        Bias
      </NavItem>
      <NavItem kind="tabs" end to="/drive/waveform">
        Waveform
      </NavItem>
      <NavItem kind="tabs" end to="/drive/volts">
        Supply volts
      </NavItem>
      <NavItem kind="tabs" end to="/drive/resonance">
        Resonance
      </NavItem>
    </Nav>
  );
}
