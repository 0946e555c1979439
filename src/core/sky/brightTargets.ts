/** Bright objects of both hemispheres that a first night can begin with. Positions (J2000, to a hundredth of a degree) and
 *  sizes are those of the deep-sky list of the d3-celestial package (BSD-3-Clause); five sizes that the list gives for a part
 *  of the object only are of the whole. */
export type BrightTarget = {
  catalogueId: string;
  /** What it is called or is. */
  plainName: string;
  raJ2000Deg: number;
  decJ2000Deg: number;
  /** Along its longer axis. */
  sizeArcmin: number;
  /** Bright enough to show in a few minutes, under any sky. */
  easy: boolean;
};

const at = (
  catalogueId: string,
  plainName: string,
  raJ2000Deg: number,
  decJ2000Deg: number,
  sizeArcmin: number,
  easy = false,
): BrightTarget => ({ catalogueId, plainName, raJ2000Deg, decJ2000Deg, sizeArcmin, easy });

export const BRIGHT_TARGETS: readonly BrightTarget[] = [
  at('M 31', 'Andromeda galaxy', 10.68, 41.27, 189, true),
  at('M 33', 'Triangulum galaxy', 23.46, 30.66, 69),
  at('M 45', 'Pleiades', 56.75, 24.12, 110, true),
  at('M 42', 'Orion nebula', 83.82, -5.39, 90, true),
  at('M 1', 'Crab nebula', 83.63, 22.01, 8),
  at('M 35', 'cluster in Gemini', 92.23, 24.33, 25, true),
  at('M 44', 'Beehive', 130.1, 19.67, 70, true),
  at('M 67', 'cluster in Cancer', 132.82, 11.8, 25),
  at('M 81', 'galaxy in Ursa Major', 148.89, 69.07, 27, true),
  at('M 82', 'Cigar galaxy', 148.97, 69.68, 11),
  at('M 101', 'Pinwheel galaxy', 210.8, 54.35, 29),
  at('M 51', 'Whirlpool galaxy', 202.47, 47.2, 11, true),
  at('M 63', 'Sunflower galaxy', 198.96, 42.03, 13),
  at('M 64', 'Black-eye galaxy', 194.18, 21.68, 11),
  at('M 104', 'Sombrero galaxy', 190.0, -11.62, 9),
  at('M 65', 'galaxy in Leo', 169.73, 13.09, 9),
  at('M 83', 'southern Pinwheel', 204.25, -29.87, 13, true),
  at('M 3', 'globular cluster', 205.55, 28.38, 18, true),
  at('M 5', 'globular cluster', 229.64, 2.08, 23, true),
  at('M 13', 'cluster in Hercules', 250.42, 36.46, 20, true),
  at('M 92', 'globular cluster', 259.28, 43.14, 14),
  at('M 4', 'globular cluster', 245.9, -26.53, 26, true),
  at('M 22', 'globular cluster', 279.1, -23.9, 32, true),
  at('M 8', 'Lagoon nebula', 270.9, -24.38, 90, true),
  at('M 20', 'Trifid nebula', 270.68, -22.97, 20),
  at('M 16', 'Eagle nebula', 274.7, -13.81, 35),
  at('M 17', 'Omega nebula', 275.2, -16.17, 40),
  at('M 11', 'Wild Duck cluster', 282.77, -6.27, 14, true),
  at('M 27', 'Dumbbell nebula', 299.9, 22.72, 8, true),
  at('M 57', 'Ring nebula', 283.4, 33.03, 4),
  at('M 15', 'globular cluster', 322.49, 12.17, 18, true),
  at('M 2', 'globular cluster', 323.36, -0.82, 16, true),
  at('M 52', 'cluster in Cassiopeia', 351.2, 61.59, 16),
  at('M 6', 'Butterfly cluster', 265.08, -32.25, 25, true),
  at('M 7', 'cluster in Scorpius', 268.46, -34.79, 80, true),
  at('M 46', 'cluster in Puppis', 115.44, -14.81, 20, true),
  at('M 41', 'cluster in Canis Major', 101.5, -20.76, 39, true),
  at('M 97', 'Owl nebula', 168.7, 55.02, 3),
  at('M 106', 'galaxy in Canes Venatici', 184.74, 47.3, 19),
  at('NGC 869', 'Double cluster', 34.75, 57.13, 30, true),
  at('NGC 7000', 'North America nebula', 314.7, 44.33, 120),
  at('NGC 6960', 'western Veil', 311.41, 30.71, 70),
  at('NGC 6992', 'eastern Veil', 314.08, 31.74, 60),
  at('NGC 281', 'nebula in Cassiopeia', 13.1, 56.56, 35),
  at('NGC 1499', 'California nebula', 60.82, 36.42, 160),
  at('NGC 2237', 'Rosette nebula', 97.98, 4.95, 80),
  at('NGC 2264', 'Cone and Christmas tree', 100.24, 9.89, 20),
  at('NGC 7293', 'Helix nebula', 337.41, -20.84, 25),
  at('NGC 253', 'Sculptor galaxy', 11.89, -25.29, 28, true),
  at('NGC 891', 'galaxy in Andromeda', 35.64, 42.35, 14),
  at('NGC 7635', 'Bubble nebula', 350.2, 61.2, 15),
  at('NGC 6888', 'Crescent nebula', 303.03, 38.35, 20),
  at('IC 1396', "Elephant's Trunk", 324.75, 57.49, 170),
  at('IC 1805', 'Heart nebula', 38.18, 61.45, 60),
  at('IC 1848', 'Soul nebula', 42.78, 60.41, 40),
  at('IC 434', 'Horsehead', 85.2, -2.5, 60),
  at('NGC 2024', 'Flame nebula', 85.43, -1.84, 30),
  at('NGC 104', '47 Tucanae', 6.02, -72.08, 31, true),
  at('NGC 362', 'globular cluster', 15.81, -70.85, 13),
  at('NGC 292', 'Small Magellanic cloud', 13.16, -72.8, 300, true),
  at('NGC 2070', 'Tarantula nebula', 84.68, -69.1, 30, true),
  at('NGC 3372', 'Carina nebula', 161.08, -59.89, 120, true),
  at('NGC 3532', 'cluster in Carina', 166.41, -58.75, 50, true),
  at('NGC 4755', 'Jewel Box', 193.41, -60.36, 10),
  at('NGC 5139', 'Omega Centauri', 201.7, -47.48, 55, true),
  at('NGC 5128', 'galaxy in Centaurus', 201.37, -43.02, 26),
  at('NGC 6397', 'globular cluster', 265.18, -53.67, 32),
  at('NGC 6752', 'globular cluster', 287.72, -59.98, 20, true),
  at('NGC 6334', "Cat's Paw nebula", 260.21, -36.12, 50),
  at('NGC 55', 'galaxy in Sculptor', 3.72, -39.2, 32),
  at('NGC 300', 'galaxy in Sculptor', 13.72, -37.68, 22),
  at('NGC 2516', 'cluster in Carina', 119.52, -60.75, 22, true),
];
