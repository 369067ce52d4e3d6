import type { Vocabulary } from './vocabulary';

export const de: Vocabulary = {
  functionWords: ['der', 'die', 'das', 'den', 'dem', 'des', 'ein', 'eine', 'einen', 'einem', 'einer', 'eines', 'und', 'oder', 'mit', 'von', 'vom', 'zu', 'zum', 'zur', 'in', 'im', 'ins', 'an', 'am', 'ans', 'auf', 'aus', 'bei', 'beim', 'nach', 'über', 'unter', 'vor', 'hinter', 'neben', 'zwischen', 'durch', 'für', 'ohne', 'um', 'gegen', 'bis', 'seit', 'während', 'ist', 'sind', 'war', 'waren', 'wird', 'werden', 'hat', 'haben', 'sein', 'seine', 'ihr', 'ihre', 'ihren', 'unser', 'unsere', 'mein', 'dein', 'dieser', 'diese', 'dieses', 'nicht', 'kein', 'keine', 'auch', 'noch', 'nur', 'als', 'wie', 'wo', 'wer', 'was', 'dass', 'weil', 'er', 'sie', 'es', 'wir', 'ich', 'man', 'sich', 'je'], // oxfmt-ignore
  commonWords: ['unten', 'oben', 'schwarz', 'schwarze', 'schwarzer', 'weiß', 'weiße', 'rot', 'rote', 'roter', 'grün', 'grüne', 'blau', 'blaue', 'gelb', 'gelbe', 'braun', 'braune', 'grau', 'graue', 'rosa', 'golden', 'hölzern', 'klein', 'kleine', 'kleiner', 'groß', 'große', 'großer', 'lang', 'kurz', 'breit', 'jung', 'offen', 'geschlossen', 'voll', 'leer', 'eins', 'zwei', 'drei', 'vier', 'fünf', 'sechs', 'sieben', 'acht', 'neun', 'zehn', 'kopf', 'fuß', 'bein', 'flügel', 'dach', 'wand', 'mauer', 'fenster', 'straße', 'fluss', 'garten', 'feld', 'meer', 'berg', 'abend', 'nacht', 'jahr', 'wasser', 'holz', 'glas', 'metall', 'stoff', 'griff', 'deckel', 'links', 'rechts', 'sitzt', 'steht', 'hält', 'schaut', 'liegt', 'hängt', 'trägt'], // oxfmt-ignore
  openEnds: ['der', 'die', 'das', 'den', 'dem', 'des', 'ein', 'eine', 'einen', 'einem', 'einer', 'eines', 'und', 'oder', 'mit', 'von', 'vom', 'zum', 'zur', 'im', 'am', 'beim', 'für', 'ohne', 'weil', 'dass', 'ihre', 'seine', 'unsere', 'ihrem', 'seinem', 'ihren', 'zwischen', 'neben', 'hinter', 'sehr', 'noch nicht', 'als', 'bei', 'aus'], // oxfmt-ignore
  relatives: [],
  holdsFigures: ['programm', 'diagramm', 'balkendiagramm', 'kreisdiagramm', 'tortendiagramm', 'grafik', 'schaubild', 'kurve', 'tabelle', 'karte', 'lageplan', 'plan', 'skizze', 'anfahrtsskizze', 'schema', 'stundenplan', 'zeitplan', 'fahrplan', 'kalender', 'liste', 'preisliste', 'preistafel', 'speisekarte', 'speiseplan', 'stammbaum', 'organigramm', 'infografik', 'übersicht', 'terminübersicht', 'termine', 'öffnungszeiten', 'preise', 'ergebnisse', 'wegbeschreibung', 'statistik'], // oxfmt-ignore
  holdsText: ['zeichnung', 'tafel', 'aushang', 'hinweis', 'schild', 'plakat', 'flyer', 'faltblatt', 'programm', 'einladung', 'rezept', 'formular', 'urkunde', 'brief', 'anleitung', 'abbildung'], // oxfmt-ignore
  sendsToPicture:
    /(?<!\p{L})(?:siehe|s\.|vgl\.|wie (?:auf|in|abgebildet|gezeigt)|abgebildet|gezeigt|zeigt|zeigen|erklärt|erläutert|entnehmen|entnimmt|steht (?:im|in der|auf)|stehen (?:im|in der|auf)|finden Sie|findet sich|folgen Sie|lesen Sie|schauen Sie|beachten Sie|markiert|eingezeichnet|eingetragen|nummeriert|ersehen|ablesen|laut)(?!\p{L})[^.!?:;]{0,60}(?<!\p{L})(?:\p{L}*(?:bild(?:ern?|e)?|foto(?:s)?|abbildung(?:en)?|zeichnung(?:en)?|skizzen?|pläne|plan|karten?|diagramm|grafik|schaubild|kurven?|tabellen?|listen?|übersicht|aushang|tafeln?|plakate?n?|organigramm|stammbaum|schemas?))(?!\p{L})|(?<!\p{L})(?:abb\. ?\d+|bild|foto|abbildung|zeichnung|skizze|plan|karte|diagramm|grafik|kurve|tabelle|liste|übersicht|aushang|tafel|plakat|organigramm|stammbaum)(?!\p{L})[^.!?:;]{0,40}(?<!\p{L})(?:zeigt|erklärt|nennt|verrät|gibt)(?!\p{L})|(?<!\p{L})wie (?:ab)?gebildet|(?<!\p{L})wie auf dem (?:bild|foto)|(?<!\p{L})wie im bild|(?<!\p{L})(?:im|auf dem|auf der|in der) (?:bild|foto|abbildung|zeichnung|skizze|plan|karte|diagramm|grafik)(?!\p{L})[^.!?:;]{0,40}(?<!\p{L})(?:sieht man|sehen sie|sieht ihr|seht ihr|sehen wir|zu sehen|zu erkennen|erkennt man|erkennen sie)(?!\p{L})|(?<!\p{L})(?:unten|oben|hier) (?:sieht man|sehen sie|seht ihr)(?!\p{L})[^.!?:;]{0,20}(?<!\p{L})(?:wie|wo|welche[rsn]?|was|wann)(?!\p{L})|(?<!\p{L})so (?:wird|werden|geht|gehen|funktioniert|macht|sieht|sehen|kommt|kommen|bindet|faltet|legt|steht|stehen)(?!\p{L})[^.!?:]{0,50}:\s*$|(?<!\p{L})(?:so|folgendermaßen)\s*:\s*$|,\s*(?:zeigt|steht|lesen|finden)[^.!?]{0,30}(?:kurve|bild|skizze|plan|tabelle|organigramm|grafik|übersicht)/iu,
  toldBeside:
    /(?<!\p{L})(?:siehe|wie|beschrieben|erklärt|genannt|steht|stehen|dieselben|gleiche[nr]?|wiederholt)(?!\p{L})[^.]{0,40}(?<!\p{L})(?:oben|unten|darunter|darüber|daneben|nebenan|text|liste|tabelle|satz|absatz)(?!\p{L})/iu,
  pictureWords: ['bild', 'foto', 'abbildung', 'zeichnung', 'skizze', 'plan', 'karte', 'diagramm', 'grafik', 'kurve', 'tabelle', 'tafel', 'aushang', 'plakat', 'organigramm', 'stammbaum', 'übersicht'], // oxfmt-ignore
  iconLooks: ['schlüssel', 'stift', 'feder', 'bleistift', 'briefumschlag', 'umschlag', 'brief', 'eule', 'pfeil', 'pfeile', 'dreieck', 'striche', 'balken', 'linien', 'punkte', 'kreuz', 'x', 'plus', 'minus', 'kreis', 'quadrat', 'haus', 'häuschen', 'tür', 'glocke', 'buch', 'lupe', 'sprechblase', 'blase', 'telefon', 'hörer', 'telefonhörer', 'uhr', 'kalender', 'kalenderblatt', 'nadel', 'stecknadel', 'fahne', 'flagge', 'fähnchen', 'globus', 'weltkugel', 'zahnrad', 'rad', 'schraubenschlüssel', 'hammer', 'korb', 'körbchen', 'wagen', 'tasche', 'herz', 'stern', 'daumen', 'hand', 'auge', 'ohr', 'kamera', 'film', 'person', 'kopf', 'figur', 'männchen', 'schloss', 'schild', 'wolke', 'sonne', 'mond', 'glühbirne', 'lampe', 'kerze', 'drucker', 'diskette', 'ordner', 'blatt', 'seite', 'papier', 'klammer', 'büroklammer', 'schere', 'tonne', 'papierkorb', 'mülleimer', 'hut', 'doktorhut', 'mütze', 'note', 'mikrofon', 'lautsprecher', 'megafon', 'fragezeichen', 'ausrufezeichen', 'blume', 'baum', 'vogel', 'biene', 'fisch', 'katze', 'hund', 'bus', 'auto', 'zug', 'fahrrad', 'boot', 'schiff', 'anker', 'münze', 'münzen', 'geld', 'geldbörse', 'ticket', 'geschenk', 'paket', 'kiste', 'karte', 'kompass', 'wegweiser', 'leiter', 'treppe', 'tasse', 'löffel', 'gabel', 'kuchen', 'apfel', 'ball', 'pokal', 'krone', 'zelt', 'schirm', 'brille', 'hände', 'maus', 'bildschirm', 'sechseck', 'mutter', 'schraube', 'rakete', 'puzzle', 'wabe'], // oxfmt-ignore
  deeds: ['suchen', 'suche', 'menü', 'start', 'startseite', 'zurück', 'weiter', 'vor', 'nächste', 'vorherige', 'anfang', 'oben', 'schließen', 'öffnen', 'drucken', 'speichern', 'herunterladen', 'senden', 'schreiben', 'mail', 'e-mail', 'kontakt', 'anrufen', 'hilfe', 'anmelden', 'abmelden', 'anmeldung', 'registrieren', 'abonnieren', 'mitmachen', 'bestellen', 'kaufen', 'laden', 'kasse', 'warenkorb', 'bezahlen', 'spenden', 'teilen', 'lesen', 'hören', 'ansehen', 'anhören', 'zeigen', 'mehr', 'weniger', 'ändern', 'wählen', 'auswählen', 'löschen', 'hinzufügen', 'vergrößern', 'sprache', 'anfahrt', 'aktuelles', 'termine', 'galerie', 'team', 'unsere', 'so', 'wie', 'wo', 'zu', 'zur', 'zum', 'an', 'finden'], // oxfmt-ignore
  tooGeneral: ['ding', 'dinge', 'gegenstand', 'objekt', 'sache', 'teil', 'etwas', 'vogel', 'tier', 'tiere', 'insekt', 'pflanze', 'blume', 'baum', 'werkzeug', 'gerät', 'maschine', 'buch', 'gebäude', 'haus', 'raum', 'zimmer', 'ort', 'szene', 'ansicht', 'landschaft', 'außen', 'innen', 'veranstaltung', 'gruppe', 'leute', 'menschen', 'personen', 'kinder', 'essen', 'fahrzeug', 'auto', 'instrument', 'produkt', 'artikel', 'arbeit', 'aktivität', 'klasse', 'halle', 'bühne', 'fest', 'feier', 'ausflug', 'detail', 'beispiel', 'alt', 'neu', 'schön', 'biene', 'krank'], // oxfmt-ignore
  anyPerson: ['mann', 'frau', 'person', 'junge', 'mädchen', 'dame', 'herr', 'kind', 'jemand', 'porträt', 'portrait', 'gesicht', 'kopf', 'lächelnd', 'lächelt', 'kamera', 'mitarbeiter', 'mitarbeiterin', 'mitglied', 'lehrer', 'lehrerin', 'jung', 'alt', 'foto', 'bild'], // oxfmt-ignore
  ornaments: ['trennlinie', 'trenner', 'trennstrich', 'linie', 'strich', 'ornament', 'aufzählungspunkt', 'punkt', 'aufzählungszeichen', 'verzierung', 'zierlinie', 'zierleiste', 'leiste', 'schmuck', 'schmuckbild', 'dekoration', 'deko', 'hintergrund', 'muster', 'rahmen', 'ecke', 'schnörkel', 'welle', 'abstandhalter', 'rand', 'bordüre', 'girlande'], // oxfmt-ignore
  mediaWords: ['pdf', 'video', 'film', 'audio', 'aufnahme', 'ton', 'dokument', 'datei', 'download', 'vorschau', 'blatt', 'seite', 'seiten', 'titelblatt', 'vorschaubild', 'mb', 'kb', 'minuten', 'min', 'anhören', 'ansehen'], // oxfmt-ignore
  workNotes:
    /^\W*todo\b|(?<!\p{L})(?:platzhalter(?:text)?|noch (?:ersetzen|beschreiben|ändern|zuschneiden|austauschen)|(?:bitte|muss noch|zu) (?:ersetzen|ersetzt|austauschen|beschreiben|ergänzen)|wird ersetzt|neue version|alte version|nicht verwenden|alternativtext(?: hier)?$|alt-text(?: hier)?$|testbild|testtext|fragen bei)(?!\p{L})|^(?:schritt|bild|foto|folie|kachel|banner|titelbild|aufmacher|vorschau|entwurf|endfassung|fassung|version|kopie|scan|ausschnitt|unbenannt|abb(?:ildung)?|slide|step|element|test)(?:[\s_-]*(?:\d+|eins|zwei|drei|vier|fünf|sechs|neu|alt|final|fertig|ok|groß|klein|links|rechts|kopie|v\d+|web|a|b|c))+$/iu,
  captionPrompts:
    /^\W*todo\b|^bildunterschrift(?: (?:hier|folgt|fehlt|eingeben|einfügen|\d+))*\W*$|^(?:hier )?(?:bitte )?(?:text|bildtext|unterschrift|beschreibung|titel)(?: hier)?(?: (?:eingeben|einfügen|eintragen|schreiben|folgt|ergänzen))*\W*$|^(?:bild)?beschreibung(?: folgt)?\W*$|^(?:beispiel|muster|blind|platzhalter|test)text\W*$|^text folgt\W*$|^hier (?:steht|kommt|folgt) (?:der |die |ihr |dein |eine? )?(?:bild)?(?:text|unterschrift|beschreibung|legende)\W*$|^legende(?: folgt)?\W*$/iu,
  placeOnPage:
    /(?<!\p{L})(?:bild(?:er)?|foto(?:s)?|aufnahme|abbildung)\s+(?:ganz\s+)?(?:links|rechts|oben|unten|in der mitte)(?!\p{L})|(?<!\p{L})(?:linke[sn]?|rechte[sn]?|mittlere[sn]?|obere[sn]?|untere[sn]?)\s+(?:bild|foto|aufnahme|abbildung)(?!\p{L})|(?<!\p{L})(?:auf|in) dem (?:linken|rechten) (?:bild|foto)/iu,
  aboveBelow: /(?<!\p{L})(?:(?<side>oben|unten|darüber|darunter|obige[snr]?|untenstehende[snr]?))(?!\p{L})/iu,
  toCome:
    /(?<!\p{L})(?:wird|werden|soll(?:en)?|sollte|könnte|dürfte|geplant|plan(?:ung)?|entwurf|künftig|zukünftig|zukunft|bis (?:zum|ende|spätestens)|modell|vision|ab \d{4}|einsendeschluss|frist|vorhaben|ziel|animation|vorgesehen)(?!\p{L})/iu,
  seasons: [
    [
      'winter',
      'winterruhe',
      'schnee',
      'weihnachten',
      'weihnachtsmarkt',
      'advent',
      'frost',
      'raureif',
      'fasching',
      'nikolaus',
      'eis',
    ],
    ['frühling', 'frühjahr', 'ostern'],
    ['sommer', 'spätsommer', 'sommerfest', 'hochsommer'],
    ['herbst', 'erntedank', 'erntefest'],
  ],
  colours: ['schwarz', 'schwarze', 'schwarzer', 'schwarzes', 'weiß', 'weiße', 'weißer', 'weißes', 'rot', 'rote', 'roter', 'rotes', 'grün', 'grüne', 'grüner', 'grünes', 'blau', 'blaue', 'blauer', 'blaues', 'gelb', 'gelbe', 'gelber', 'gelbes', 'braun', 'braune', 'brauner', 'braunes', 'grau', 'graue', 'grauer', 'graues', 'orange', 'rosa', 'lila'], // oxfmt-ignore
  opposites: [
    [
      ['vorher', 'kaputt', 'beschädigt', 'ruine', 'zerbrochen', 'geschlossen', 'leer'],
      ['nachher', 'repariert', 'fertig', 'saniert', 'wie neu', 'offen', 'geöffnet', 'voll'],
    ],
    [
      ['erster', 'ersten', 'erste', 'erstes'],
      ['zweiter', 'zweiten', 'dritter', 'dritten', 'vierter', 'letzter', 'zweite', 'dritte'],
    ],
    [
      ['zweiter', 'zweiten', 'zweite'],
      ['dritter', 'dritten', 'erster', 'ersten', 'dritte', 'erste'],
    ],
    [
      ['sieger', 'siegerin', 'gewinner', 'gewinnerin'],
      ['verlierer', 'verliererin'],
    ],
    [
      ['tag', 'morgen', 'mittag'],
      ['nacht', 'mitternacht'],
    ],
    [
      ['jungen', 'männer', 'mann', 'buben'],
      ['mädchen', 'frauen', 'frau'],
    ],
  ],
};
