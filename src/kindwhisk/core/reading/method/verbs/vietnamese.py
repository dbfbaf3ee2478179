"""Vietnamese verbs."""

from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.verbs.grammar import Grammar

VERBS: tuple[tuple[str, Act], ...] = (
    (r"(?:làm nóng|bật|hâm nóng) (?:trước )?lò(?: nướng)?|làm nóng lò", Act.PREHEAT),
    (r"(?<!khay )(?<!khuôn )(?<!cm )(?<!\d )(?<!đã )lót(?: giấy)?|phết (?:bơ|dầu) (?:vào )?khuôn|(?<!không )chống dính", Act.PREPARE),
    (r"tách", Act.SEPARATE),
    (r"ngâm(?= gelatin)", Act.BLOOM),
    (r"rây", Act.SIFT),
    (r"đánh(?= bằng máy)|đánh bông", Act.WHIP),
    (r"đánh", Act.BEAT),
    (r"đun chảy|làm tan chảy", Act.MELT),
    (r"đun sôi|nấu (?:sôi|nước đường)", Act.BOIL),
    (r"rang(?= (?:hạt|hạnh|óc))", Act.ROAST),
    (r"đun|hâm|làm ấm", Act.HEAT),
    (r"để (?:bánh )?nguội|làm nguội|cho nguội|chờ nguội", Act.COOL),
    (r"để (?:vào )?(?:tủ lạnh|ngăn mát|ngăn đá|ngăn đông|lạnh)|(?:cho|bỏ|cất) (?:bánh )?(?:vào )?(?:tủ lạnh|ngăn mát|ngăn đá|ngăn đông)|làm lạnh", Act.CHILL),
    (r"để (?:nghỉ|yên|khô)|ủ", Act.REST),
    (r"úp ngược|lật ngược", Act.INVERT),
    (r"lấy bánh ra(?![,.] (?:để nguội|úp))|lấy (?:bánh )?ra khỏi|gỡ bánh|gỡ (?:ra )?khỏi|tháo khuôn|lấy ra(?=$|[,.;](?! úp))|úp bánh ra", Act.TURN_OUT),
    (r"nướng|sấy", Act.BAKE),
    (r"đổ (?=vào khuôn|vào khay|[^.,;]*(?:khuôn|khay))|đổ", Act.POUR),
    (r"(?:cho|múc|đổ) (?:\w+ ){1,3}vào túi(?: bắt kem)?", Act.NOTHING),
    (r"bóp|nặn|phun|bắt(?= (?:bánh|thành|bột|hình|các|\w+ (?:lên|vào khay)))", Act.PIPE),
    (r"phết|trét", Act.SPREAD),
    (r"phủ|bao(?= kem)", Act.COAT),
    (r"bắt(?= (?:nhân|kem) (?:vào|lên))|kẹp|xếp chồng|ghép", Act.JOIN),
    (r"quét(?= (?:siro|si rô|nước đường|sirô))|thấm", Act.SOAK),
    (r"cuộn(?: lại)?", Act.ROLL),
    (r"cắt|xắt|bóc giấy|gỡ giấy|lột giấy|mở cuộn|trải bánh", Act.HAND),
    (r"rắc", Act.DUST),
    (r"trang trí|xếp(?! chồng)", Act.TOP),
    (r"đập|gõ|dằn", Act.KNOCK),
    (r"trộn (?:nhẹ nhàng|nhẹ tay|nhẹ)|trộn(?= (?:lòng trắng|đều lòng trắng))", Act.FOLD),
    (r"trộn(?: đều| mịn)?|khuấy(?: đều)?|hòa tan", Act.MIX),
    (r"thêm|cho(?= (?!đến))", Act.ADD),
    (r"lấy(?= (?:một ít|1 ít|ít|một phần|1/3))", Act.TAKE),
    (r"(?:dàn|tạo|phết)(?: hỗn hợp)? thành (?:hình|vòng) tròn", Act.PIPE),
    (r"chia (?=làm|thành)", Act.NOTHING),
)  # fmt: skip
GRAMMAR = Grammar(
    tuple((rf"(?:{p})(?!\w)" if not p.endswith(")") else p, act) for p, act in VERBS),
    aside=r"đến khi|cho đến khi|khi",
    aside_ends=r"[,;.:]|(?= rồi )",
)
