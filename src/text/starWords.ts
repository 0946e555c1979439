/** Names of stars in words: a Greek letter alone says nothing to somebody who looks up. */

const LETTERS: Record<string, string> = {
  α: 'Alpha',
  β: 'Beta',
  γ: 'Gamma',
  δ: 'Delta',
  ε: 'Epsilon',
  ζ: 'Zeta',
  η: 'Eta',
  θ: 'Theta',
  ι: 'Iota',
  κ: 'Kappa',
  λ: 'Lambda',
  μ: 'Mu',
  ν: 'Nu',
  ξ: 'Xi',
  ο: 'Omicron',
  π: 'Pi',
  ρ: 'Rho',
  σ: 'Sigma',
  τ: 'Tau',
  υ: 'Upsilon',
  φ: 'Phi',
  χ: 'Chi',
  ψ: 'Psi',
  ω: 'Omega',
};

/** By the abbreviations of the International Astronomical Union (1922). */
const CONSTELLATIONS: Record<string, string> = Object.fromEntries(
  (
    'And Andromeda,Ant Antlia,Aps Apus,Aql Aquila,Aqr Aquarius,Ara Ara,Ari Aries,Aur Auriga,Boo Boötes,Cae Caelum,' +
    'Cam Camelopardalis,Cap Capricornus,Car Carina,Cas Cassiopeia,Cen Centaurus,Cep Cepheus,Cet Cetus,Cha Chamaeleon,' +
    'Cir Circinus,CMa Canis Major,CMi Canis Minor,Cnc Cancer,Col Columba,Com Coma Berenices,CrA Corona Australis,' +
    'CrB Corona Borealis,Crt Crater,Cru Crux,Crv Corvus,CVn Canes Venatici,Cyg Cygnus,Del Delphinus,Dor Dorado,' +
    'Dra Draco,Equ Equuleus,Eri Eridanus,For Fornax,Gem Gemini,Gru Grus,Her Hercules,Hor Horologium,Hya Hydra,' +
    'Hyi Hydrus,Ind Indus,Lac Lacerta,Leo Leo,Lep Lepus,Lib Libra,LMi Leo Minor,Lup Lupus,Lyn Lynx,Lyr Lyra,' +
    'Men Mensa,Mic Microscopium,Mon Monoceros,Mus Musca,Nor Norma,Oct Octans,Oph Ophiuchus,Ori Orion,Pav Pavo,' +
    'Peg Pegasus,Per Perseus,Phe Phoenix,Pic Pictor,PsA Piscis Austrinus,Psc Pisces,Pup Puppis,Pyx Pyxis,' +
    'Ret Reticulum,Scl Sculptor,Sco Scorpius,Sct Scutum,Ser Serpens,Sex Sextans,Sge Sagitta,Sgr Sagittarius,' +
    'Tau Taurus,Tel Telescopium,TrA Triangulum Australe,Tri Triangulum,Tuc Tucana,UMa Ursa Major,UMi Ursa Minor,' +
    'Vel Vela,Vir Virgo,Vol Volans,Vul Vulpecula'
  )
    .split(',')
    .map((entry) => [entry.slice(0, 3), entry.slice(4)]),
);

/** `Alpha in Grus` for `α Gru`; a name stays a name. */
export function starName(name: string): string {
  const [letter = '', constellation = '', ...rest] = name.split(' ');
  const within = CONSTELLATIONS[constellation];
  if (within === undefined || rest.length > 0) return name;
  const greek = LETTERS[letter.charAt(0)];
  const index = letter.slice(1);
  const which = greek === undefined ? letter : `${greek}${index === '' ? '' : ` ${index}`}`;
  return `${which} in ${within}`;
}

/** Fainter stars drown in the light of a town. */
const FAINT_MAG = 3;

/** How it looks to the bare eye. */
export function brightnessWords(magnitude: number): string {
  if (magnitude <= 1) return 'one of the brightest';
  if (magnitude <= 2) return 'bright';
  return magnitude <= FAINT_MAG ? 'plain to see' : 'faint: hidden by the light of a town';
}
