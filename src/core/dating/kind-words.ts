/** Words that tell what a picture shows, in English, German, French and Spanish; data, not rules. */
import type { PictureKind } from './shelf-life';

/** Whole words; `*` stands for any letters, `_` for a blank, a stroke or nothing. */
const WORDS: Readonly<Record<Exclude<PictureKind, 'evergreen'>, readonly string[]>> = {
  portrait: [
    'portrait portraits staff crew personnel tutor tutors teacher teachers trainer trainers instructor instructors coach coaches',
    'team headshot headshots our\\speople the\\speople people\\sof who\\swe\\sare principal director governor governors',
    'trustee trustees committee board\\smember board\\smembers',
    'kollegium lehrer lehrerin lehrerinnen lehrerkollegium mitarbeiter mitarbeiterin mitarbeiterinnen mitarbeitende mannschaft vorstand beirat',
    'ansprechpartner ansprechpartnerin dozent dozentin dozenten dozentinnen betreuer betreuerinnen schulleitung',
    'équipe equipe professeurs bureau comité moniteurs monitrices animateurs enseignants',
    'profesor profesora profesores profesoras equipo director directora directiva personal claustro monitores monitoras docentes maestros maestras',
  ],
  'class group': [
    'class\\sof classes\\sof class\\sphoto class\\s\\d\\p{L}? year\\sgroup form\\s\\d pupils choir choirs group groups youth\\sgroup school\\sgroup age\\sgroup',
    'ensemble ensembles orchestra orchestras quartet quartets school\\syear juniors squad cohort beginners under[_-]?\\d{1,2}s? u\\d{1,2}',
    'klassenfoto klasse\\s\\d\\p{L}? jahrgang *gruppe *gruppen *chor *orchester schuljahr schulklasse schulklassen ag ags schüler schülerinnen',
    'classe\\sde photo\\sde\\sclasse groupe groupes chorale orchestre année\\sscolaire élèves promotion\\s\\d{4}',
    'clase\\sde foto\\sde\\sclase grupo grupos coro orquesta curso\\sescolar curso\\s\\d{4} alumnos alumnas alumnado',
  ],
  event: [
    "concert concerts festival festivals event events what[’']s\\son what\\sis\\son open\\sday open\\shouse fair fairs fête performance performances rehearsal rehearsals",
    'ceremony carol carols supper dinner feast celebration celebrations party parties trip trips excursion excursions outing outings match tournament tournaments race races *[_-]?walk',
    'swap swaps sale jumble barbecue dance quiz\\snight carnival parade march reunion anniversary apple\\sday seedy\\s*\\sday family\\s*\\sday harvest\\s*\\sday poster flyer bill\\s?of',
    '(?:open|summer|winter|spring|autumn|annual|first|last|dog|flower|horse|produce|talent|fashion)\\sshow (?<=^(?:our\\s)?)shows(?=$) regatta regattas final finals finale the\\scup championship championships derby rally gymkhana prize[_-]?giving podium camp sleepover sports\\sday fun\\sday fancy\\sdress',
    'boxing\\sday hunter\\strial nativity pantomime recital recitals gala charity\\sride hike expedition agm raffle bazaar exhibition inauguration',
    '*konzert *konzerte *fest *feste *festes *fests *feier *feiern *feierlichkeiten *ausflug *ausflüge aufführung aufführungen tag\\sder\\soffenen\\stür maibaum advent advents*',
    '*markt *umzug jubiläum *turnier *turniere flohmarkt zirkus circus cirque circo plakat *reise *reisen klassenfahrt *fahrten *wanderung wandertag zeltlager ferienlager sommerlager trainingslager *regatta *pokal *meisterschaft *meisterschaften',
    'siegerehrung preisverleihung einweihung jugendspiele festspiele krippenspiel puppentheater karneval fasching serenade requiem oratorium matinee ausstellung *versammlung ehrung *singen sponsorenlauf spendenlauf volkslauf staffellauf tombola',
    'fête fêtes fete spectacle spectacles sortie sorties kermesse marché bal anniversaire tournoi tournois vide[_-]grenier affiche régate régates coupe championnat',
    "remise\\sdes\\sprix podium stage\\sde stage\\sd[’'] stagiaires séjour voyage randonnée carnaval concerts soirée gala inauguration exposition tombola loto repas assemblée",
    'concierto conciertos fiesta fiestas excursión excursion excursiones mercadillo feria verbena aniversario torneo carrera cartel regata copa\\sde campeonato',
    'entrega\\sde\\spremios podio campamento convivencia colonias viaje carnaval navidad belén magosto función teatro jornada jornadas semana\\scultural día\\sde\\sla inauguración exposición rifa',
    'news archive',
  ],
  building: [
    'building buildings facade façade facades façades front entrance hall halls room rooms classroom classrooms campus garden playground stairs tower towers house houses shed sheds hut huts barn barns',
    'cellar basement annex annexe extension workshop greenhouse gate gates roof courtyard stable stables kitchen apiary yard corridor library\\sbuilding boathouse clubhouse pavilion',
    'gebäude gebaeude eingang schulhaus *haus *häuser hof *turm keller anbau *scheune *schuppen *hütte *halle tor dach raum räume *saal flur',
    'bâtiment batiment bâtiments batiments maison maisons entrée entree entrées salle salles cour tour cave hangar grange toit atelier locaux vestiaire club[_-]house couloir gymnase',
    'edificio edificios casa entrada aula sala salas patio torre sótano sotano granero cobertizo nave tejado fachada gimnasio pasillo biblioteca comedor',
  ],
  product: [
    'product products shop store price for\\ssale to\\sbuy catalogue catálogo catalogo',
    '*laden *shop preis preise kaufen waren produit produits boutique prix tienda precio precios producto productos',
    // A price beside it.
    '[£$€]\\s?\\d+(?:[.,]\\d\\d)? \\d+(?:[.,]\\d\\d)?\\s?(?:€|eur|euros?)',
  ],
};

const patternOf = (words: readonly string[]): RegExp => {
  const all = [...new Set(words.flatMap((line) => line.split(' ')))]
    .map((word) => word.replaceAll('*', '\\p{L}*').replaceAll('_', ' '))
    .sort((a, b) => b.length - a.length);
  return new RegExp(`(?<!\\p{L})(?:${all.join('|')})(?!\\p{L})`, 'giu');
};

/** A pattern for each kind that finds its words, each by itself. */
export const KIND_WORDS = Object.fromEntries(
  Object.entries(WORDS).map(([kind, words]) => [kind, patternOf(words)]),
) as Readonly<Record<keyof typeof WORDS, RegExp>>;
