import type { Vocabulary } from './vocabulary';

export const es: Vocabulary = {
  functionWords: ['el', 'la', 'los', 'las', 'lo', 'un', 'una', 'unos', 'unas', 'de', 'del', 'y', 'e', 'o', 'u', 'a', 'al', 'en', 'con', 'sin', 'por', 'para', 'sobre', 'bajo', 'entre', 'hasta', 'desde', 'hacia', 'ante', 'tras', 'durante', 'según', 'es', 'son', 'era', 'está', 'están', 'ha', 'han', 'su', 'sus', 'nuestro', 'nuestra', 'nuestros', 'nuestras', 'mi', 'tu', 'este', 'esta', 'estos', 'estas', 'ese', 'esa', 'que', 'quien', 'donde', 'cuando', 'como', 'no', 'se', 'le', 'les', 'me', 'nos', 'más', 'ya', 'muy', 'pero', 'junto'], // oxfmt-ignore
  commonWords: ['abajo', 'arriba', 'negro', 'negra', 'blanco', 'blanca', 'rojo', 'roja', 'verde', 'azul', 'amarillo', 'amarilla', 'marrón', 'gris', 'rosa', 'dorado', 'madera', 'piedra', 'latón', 'cobre', 'hierro', 'pequeño', 'pequeña', 'grande', 'largo', 'corto', 'ancho', 'joven', 'abierto', 'cerrado', 'lleno', 'vacío', 'dos', 'tres', 'cuatro', 'cinco', 'seis', 'siete', 'ocho', 'nueve', 'diez', 'pie', 'pierna', 'ala', 'cola', 'techo', 'muro', 'ventana', 'calle', 'río', 'jardín', 'campo', 'mar', 'colina', 'mañana', 'tarde', 'noche', 'año', 'agua', 'vidrio', 'metal', 'tela', 'mango', 'tapa', 'izquierda', 'derecha', 'sentado', 'sentada', 'sostiene', 'mira', 'cuelga', 'lleva'], // oxfmt-ignore
  openEnds: ['el', 'la', 'los', 'las', 'un', 'una', 'unos', 'unas', 'de', 'del', 'y', 'o', 'a', 'al', 'en', 'con', 'sin', 'por', 'para', 'sobre', 'entre', 'hasta', 'desde', 'hacia', 'su', 'sus', 'nuestra', 'nuestro', 'que', 'muy', 'es', 'son', 'está', 'ante', 'tras', 'como'], // oxfmt-ignore
  relatives: [],
  holdsFigures: ['programa', 'gráfico', 'gráfica', 'diagrama', 'curva', 'tarta', 'tabla', 'cuadro', 'mapa', 'plano', 'croquis', 'esquema', 'horario', 'horarios', 'calendario', 'lista', 'precios', 'tarifas', 'cuotas', 'menú', 'carta', 'árbol', 'genealógico', 'organigrama', 'infografía', 'itinerario', 'estadísticas', 'resultados', 'fechas'], // oxfmt-ignore
  holdsText: ['dibujo', 'pizarra', 'tablón', 'aviso', 'anuncio', 'letrero', 'cartel', 'folleto', 'programa', 'invitación', 'receta', 'ficha', 'formulario', 'diploma', 'instrucciones', 'hoja'], // oxfmt-ignore
  sendsToPicture:
    /(?<!\p{L})(?:ver|véase|mira|mire|mirad|sigue|siga|seguid|consulta|consulte|lee|lea|leed|como (?:se ve|en|muestra|indica|aparece)|se ven?|se muestran?|se lee|se explica|muestran?|indican?|explican?|está en|están en|aparecen? en|figuran? en|según|marcad[oa]s?|señalad[oa]s?)(?!\p{L})[^.!?:;]{0,50}(?<!\p{L})(?:im[aá]gen(?:es)?|fotos?|fotograf[ií]as?|dibujos?|esquemas?|croquis|planos?|mapas?|gráfic[oa]s?|curvas?|tablas?|cuadros?|figuras?|listas?|carteles?|cartel|avisos?|tablón|organigrama|árbol|calendario|ilustraci(?:ón|ones))(?!\p{L})|(?<!\p{L})(?:imagen|foto|dibujo|esquema|croquis|plano|mapa|gráfico|curva|tabla|cuadro|cartel|organigrama|árbol)(?!\p{L})[^.!?:;]{0,40}(?<!\p{L})(?:muestra|indica|explica|dice)(?!\p{L})|(?<!\p{L})(?:imagen|foto|fotografía|dibujo|esquema|gráfico|plano|mapa)(?: de (?:abajo|arriba|al lado)| siguiente| adjunt[oa]| inferior| superior)?,? (?:se (?:ve|ven|aprecia|observa|distingue|puede(?:n)? ver)|vemos|pueden? verse)(?!\p{L})|(?<!\p{L})así (?:se|es|está|quedan?|nos|funciona)(?!\p{L})[^.!?:]{0,50}:\s*$|(?<!\p{L})así\s*:\s*$/iu,
  toldBeside:
    /(?<!\p{L})(?:ver|descrit[oa]|explicad[oa]|dad[oa]s?|mism[oa]s?|como|texto|repetid[oa])(?!\p{L})[^.]{0,40}(?<!\p{L})(?:arriba|abajo|al lado|debajo|encima|anterior|siguiente|texto|lista|tabla|frase)(?!\p{L})/iu,
  pictureWords: ['imagen', 'foto', 'dibujo', 'esquema', 'croquis', 'plano', 'mapa', 'gráfico', 'curva', 'tabla', 'cuadro', 'cartel', 'aviso', 'organigrama'], // oxfmt-ignore
  iconLooks: ['llave', 'lápiz', 'pluma', 'bolígrafo', 'sobre', 'carta', 'búho', 'flecha', 'flechas', 'triángulo', 'barras', 'rayas', 'líneas', 'puntos', 'cruz', 'aspa', 'más', 'menos', 'círculo', 'cuadrado', 'casa', 'casita', 'puerta', 'campana', 'libro', 'lupa', 'bocadillo', 'globo', 'burbuja', 'teléfono', 'auricular', 'reloj', 'calendario', 'chincheta', 'alfiler', 'bandera', 'engranaje', 'rueda', 'llave inglesa', 'martillo', 'cesta', 'carrito', 'bolsa', 'corazón', 'estrella', 'pulgar', 'mano', 'ojo', 'oreja', 'cámara', 'película', 'persona', 'cabeza', 'silueta', 'muñeco', 'candado', 'escudo', 'nube', 'sol', 'luna', 'bombilla', 'lámpara', 'vela', 'impresora', 'disquete', 'carpeta', 'hoja', 'página', 'papel', 'clip', 'tijeras', 'papelera', 'cubo', 'sombrero', 'birrete', 'gorra', 'nota', 'micrófono', 'altavoz', 'interrogación', 'exclamación', 'flor', 'árbol', 'pájaro', 'abeja', 'pez', 'gato', 'perro', 'autobús', 'coche', 'tren', 'bicicleta', 'barco', 'ancla', 'moneda', 'monedas', 'dinero', 'monedero', 'billete', 'regalo', 'paquete', 'caja', 'mapa', 'brújula', 'escalera', 'taza', 'cuchara', 'tenedor', 'tarta', 'manzana', 'balón', 'pelota', 'copa', 'corona', 'tienda de campaña', 'paraguas', 'gafas', 'manos', 'ratón', 'pantalla', 'hexágono', 'tuerca', 'tornillo', 'cohete', 'rompecabezas'], // oxfmt-ignore
  deeds: ['buscar', 'búsqueda', 'menú', 'inicio', 'portada', 'volver', 'atrás', 'siguiente', 'anterior', 'subir', 'cerrar', 'abrir', 'imprimir', 'guardar', 'descargar', 'enviar', 'escribir', 'escríbenos', 'correo', 'e-mail', 'contacto', 'contactar', 'llamar', 'ayuda', 'entrar', 'acceder', 'registro', 'registrarse', 'apuntarse', 'inscribirse', 'inscripción', 'pedir', 'comprar', 'pagar', 'donar', 'compartir', 'seguir', 'leer', 'escuchar', 'ver', 'mostrar', 'más', 'menos', 'cambiar', 'elegir', 'borrar', 'añadir', 'ampliar', 'idioma', 'noticias', 'agenda', 'galería', 'equipo', 'nuestro', 'nuestra', 'cómo', 'dónde', 'llegar', 'ir', 'a'], // oxfmt-ignore
  tooGeneral: ['cosa', 'cosas', 'objeto', 'pieza', 'pájaro', 'ave', 'animal', 'insecto', 'planta', 'flor', 'árbol', 'herramienta', 'aparato', 'máquina', 'libro', 'edificio', 'casa', 'sala', 'lugar', 'escena', 'vista', 'paisaje', 'exterior', 'interior', 'evento', 'fiesta', 'grupo', 'gente', 'personas', 'niños', 'comida', 'plato', 'vehículo', 'coche', 'instrumento', 'producto', 'artículo', 'trabajo', 'actividad', 'clase', 'excursión', 'detalle', 'ejemplo', 'viejo', 'nuevo', 'bonito'], // oxfmt-ignore
  anyPerson: ['hombre', 'mujer', 'persona', 'chico', 'chica', 'niño', 'niña', 'señor', 'señora', 'alguien', 'retrato', 'cara', 'rostro', 'cabeza', 'sonriente', 'sonríe', 'sonriendo', 'cámara', 'empleado', 'empleada', 'miembro', 'socio', 'socia', 'profesor', 'profesora', 'joven', 'mayor', 'foto'], // oxfmt-ignore
  ornaments: ['separador', 'separadora', 'raya', 'línea', 'punto', 'viñeta', 'adorno', 'ornamento', 'decoración', 'decorativo', 'decorativa', 'fondo', 'borde', 'marco', 'esquina', 'onda', 'cenefa', 'greca', 'guirnalda', 'relleno', 'trazo', 'filete'], // oxfmt-ignore
  mediaWords: ['pdf', 'vídeo', 'video', 'película', 'audio', 'grabación', 'sonido', 'documento', 'archivo', 'fichero', 'descargar', 'vista previa', 'miniatura', 'página', 'páginas', 'hoja', 'portada', 'mb', 'kb', 'minutos', 'min'], // oxfmt-ignore
  workNotes:
    /^\W*(?:todo|por hacer)\s*:|^todo\s+(?:describ|camb|alt)|(?<!\p{L})(?:por (?:reemplazar|describir|cambiar|recortar|completar)|(?:reemplazar|cambiar|sustituir) (?:por|después|luego)|texto alternativo(?: aquí)?$|texto de prueba$|imagen de prueba|nueva versión|versión (?:vieja|antigua|nueva)|no usar|preguntar a)(?!\p{L})|^(?:paso|imagen|foto|diapositiva|miniatura|cabecera|borrador|versión|copia|recorte|sin título|elemento|prueba|fig(?:ura)?|slide)(?:[\s_-]*(?:\d+|uno|dos|tres|cuatro|cinco|seis|final|ok|nuevo|nueva|viejo|grande|pequeño|izquierda|derecha|copia|web|def|v\d+|a|b|c))+$/iu,
  captionPrompts:
    /^\W*(?:todo|por hacer)\s*:|^(?:texto (?:del|de la) )?(?:pie(?: de (?:foto|imagen|página))?|leyenda)(?: (?:aquí|pendiente|por (?:escribir|completar)|de la (?:foto|imagen)|\d+))*\W*$|^(?:escrib[ea]|introduc[ea]|introduzca|insert[ea]|añad[ea]|pon(?:ga)?) (?:aquí )?(?:su |tu |el |un |una |la )?(?:texto|pie|leyenda|título|descripción)|^(?:texto|título|descripción)(?: aquí)?\W*$|^texto (?:de (?:ejemplo|relleno|prueba|muestra)|provisional)\W*$/iu,
  placeOnPage:
    /(?<!\p{L})(?:fotos?|im[aá]gen(?:es)?|vistas?|dibujos?)\s+(?:de|a|en|del)\s+(?:la\s+|el\s+)?(?:izquierda|derecha|arriba|abajo|medio|centro)(?!\p{L})/iu,
  aboveBelow: /(?<!\p{L})(?:(?<side>arriba|abajo|más arriba|más abajo))(?!\p{L})/iu,
  toCome:
    /(?<!\p{L})(?:será|serán|podrá|podría|debería|previst[oa]s?|proyecto|plano|maqueta|futuro|futura|antes (?:del|de)|hasta (?:el|fin)|plazo|fecha límite|objetivo|visión|boceto|a partir de)(?!\p{L})/iu,
  seasons: [
    ['invierno', 'nieve', 'navidad', 'hielo'],
    ['primavera', 'pascua'],
    ['verano'],
    ['otoño', 'vendimia'],
  ],
  colours: ['negro', 'negra', 'blanco', 'blanca', 'rojo', 'roja', 'verde', 'azul', 'amarillo', 'amarilla', 'marrón', 'gris', 'naranja', 'rosa', 'morado', 'morada'], // oxfmt-ignore
  opposites: [
    [
      [
        'antes',
        'rota',
        'roto',
        'rajada',
        'rajado',
        'averiada',
        'averiado',
        'ruina',
        'ruinas',
        'cerrado',
        'cerrada',
        'vacío',
        'vacía',
      ],
      [
        'después',
        'reparada',
        'reparado',
        'arreglada',
        'arreglado',
        'como nueva',
        'como nuevo',
        'restaurada',
        'restaurado',
        'abierto',
        'abierta',
        'lleno',
        'llena',
        'encendida',
      ],
    ],
    [
      ['primer', 'primero', 'primera'],
      ['segundo', 'segunda', 'tercer', 'tercero', 'tercera', 'último', 'última'],
    ],
    [
      ['segundo', 'segunda'],
      ['tercer', 'tercero', 'tercera', 'primer', 'primero', 'primera'],
    ],
    [
      ['ganador', 'ganadora', 'gana'],
      ['perdedor', 'perdedora'],
    ],
    [
      ['día', 'mañana', 'mediodía'],
      ['noche', 'medianoche'],
    ],
    [
      ['chicos', 'niños', 'hombres', 'hombre', 'chico'],
      ['chicas', 'niñas', 'mujeres', 'mujer', 'chica'],
    ],
  ],
};
